import type { Plan } from "../../../core/plan/plan.ts";
import type { OrderOverview } from "../../../server/evidence/order-overview.ts";
import type { OrderFilter } from "../../../server/orders/order-filter.ts";

/** What each part of the evidence is handed: the draft, what orders there are, and which are looked at. */
export type Evidence = {
  readonly plan: Plan;
  readonly overview: OrderOverview;
  readonly filter: OrderFilter;
};
