import type { EntityKind } from "../plan/entities.ts";
import { fromFormat1 } from "../plan/former-formats.ts";
import { FORMAT, type Plan } from "../plan/plan.ts";
import { type Checked, checkedBy, checkedByFlat } from "./checker.ts";
import validators from "./validators.js";

const checkNewest = checkedBy(validators.plan);

/** Checks a plan file; one of an older format comes back as the newest says what it means. */
export function checkPlan(data: unknown): Checked<Plan> {
  if (typeof data !== "object" || data === null || !("format" in data) || data.format !== 1) return checkNewest(data);
  const checked = checkNewest({ ...data, format: FORMAT });
  return "problems" in checked ? checked : { value: fromFormat1(checked.value) };
}

export const checkRateTable = checkedBy(validators.rates);
export const checkPastOrder = checkedBy(validators.pastOrder);
export const checkPlainOrder = checkedBy(validators.plainOrder);
export const checkQuoteRequest = checkedByFlat(validators.quoteRequest);
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
  notice: checkedBy(validators.notice),
  rates: checkRateTable,
  condition: checkedBy(validators.condition),
} as const satisfies Record<EntityKind, unknown>;
