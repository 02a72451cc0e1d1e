import type { Offer } from "../offers/offer.ts";
import { marketsOf } from "../places/markets-of.ts";
import type { Plan } from "../plan/plan.ts";

/** The time zones of the markets an offer holds in. */
export function timeZonesOf(plan: Plan, offer: Offer): string[] {
  return [...new Set(marketsOf(plan, offer.zones).map(({ timeZone }) => timeZone))];
}
