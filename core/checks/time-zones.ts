import type { Offer } from "../offers/offer.ts";
import type { Plan } from "../plan/plan.ts";

/** The time zones of the markets an offer holds in. */
export function timeZonesOf(plan: Plan, offer: Offer): string[] {
  const markets = new Set(plan.zones.filter(({ id }) => offer.zones.includes(id)).map(({ market }) => market));
  return [...new Set(plan.markets.filter(({ id }) => markets.has(id)).map(({ timeZone }) => timeZone))];
}
