import { SavedCondition } from "../conditions/condition.ts";
import { DeliveryOption } from "../delivery/option.ts";
import { PastOrder, PlainOrder } from "../evidence/past-order.ts";
import { RateTable } from "../money/rates.ts";
import { Notice } from "../offers/notice.ts";
import { Offer } from "../offers/offer.ts";
import { Location } from "../places/location.ts";
import { Market, Zone } from "../places/market.ts";
import type { EntityKind } from "../plan/entities.ts";
import { Plan, Store } from "../plan/plan.ts";
import { QuoteRequest, Shopper } from "../request/request.ts";
import { Sample, Samples } from "../samples/sample.ts";
import type { TSchema } from "../schema/type.ts";

/** Forms of the draft's entities, by kind. */
const ENTITIES = {
  store: Store,
  market: Market,
  zone: Zone,
  option: DeliveryOption,
  offer: Offer,
  location: Location,
  notice: Notice,
  condition: SavedCondition,
  rates: RateTable,
} as const satisfies Record<EntityKind, TSchema>;

/** Everything of the core's that comes in from outside and is checked by its form. Made into code by `scripts/validators.ts`. */
export const CORE_SCHEMAS = {
  ...ENTITIES,
  plan: Plan,
  pastOrder: PastOrder,
  plainOrder: PlainOrder,
  quoteRequest: QuoteRequest,
  shopper: Shopper,
  sample: Sample,
  samples: Samples,
} as const satisfies Record<string, TSchema>;
