import type { Offer } from "../../../core/offers/offer.ts";
import type { Market } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";

/** The market an offer is read in: the standpoint's where the offer holds there, else the first it holds in. */
export function homeOf(plan: Plan, offer: Offer, standpoint: Market | null): Market | undefined {
  const holdsIn = (market: string) =>
    plan.zones.some((zone) => zone.market === market && offer.zones.includes(zone.id));
  const own = [...plan.markets].filter(({ id }) => holdsIn(id)).sort(byPosition);
  return own.find(({ id }) => id === standpoint?.id) ?? own[0] ?? standpoint ?? plan.markets[0];
}
