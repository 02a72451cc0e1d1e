import type { EntityKind } from "../plan/entities.ts";
import { checkedBy } from "./checker.ts";
import validators from "./validators.js";

export const checkPlan = checkedBy(validators.plan);
export const checkRateTable = checkedBy(validators.rates);
export const checkQuoteRequest = checkedBy(validators.quoteRequest);
export const checkSample = checkedBy(validators.sample);
export const checkSamples = checkedBy(validators.samples);

/** The kinds of draft entities, each checked by its own schema. */
export const checkEntity = {
  store: checkedBy(validators.store),
  market: checkedBy(validators.market),
  zone: checkedBy(validators.zone),
  option: checkedBy(validators.option),
  offer: checkedBy(validators.offer),
  location: checkedBy(validators.location),
  rates: checkRateTable,
  condition: checkedBy(validators.condition),
} as const satisfies Record<EntityKind, unknown>;
