import { isOnOrder, rewardOptions } from "../rewards/reward.ts";
import { byPosition } from "../schema/atoms.ts";
import { intervalsOf } from "../time/occurrences.ts";
import { canStack, type Offer } from "./offer.ts";

/** Another offer that a shopper can have earned at the same time for the same option, and what comes of it. */
export type StackingWith = {
  readonly other: Offer;
  /** Used together; or the one that costs the shopper less, this one or that one where they cost the same. */
  readonly outcome: "together" | "this-on-a-tie" | "that-on-a-tie";
};

/** What of a plan it takes to tell which offers can meet. */
type StackingPlan = {
  readonly offers: readonly Offer[];
  readonly zones: readonly { readonly id: string; readonly market: string }[];
  readonly markets: readonly { readonly id: string; readonly timeZone: string }[];
};

/** The offers that can meet an offer: in some zone, on some option or on the order, at some moment. */
export function stackingOf(plan: StackingPlan, offer: Offer): StackingWith[] {
  const zones = new Map(plan.zones.map((zone) => [zone.id, zone]));
  const timeZones = new Map(plan.markets.map((market) => [market.id, market.timeZone]));
  const meets = (other: Offer) =>
    other.zones.some((id) => {
      const zone = offer.zones.includes(id) ? zones.get(id) : undefined;
      return zone !== undefined && overlap(offer, other, timeZones.get(zone.market) ?? "UTC");
    });
  return plan.offers
    .filter((other) => other.id !== offer.id && other.on && giveOnTheSame(offer, other) && meets(other))
    .sort(byPosition)
    .map((other) => ({
      other,
      outcome: canStack(offer, other) ? "together" : byPosition(offer, other) < 0 ? "this-on-a-tie" : "that-on-a-tie",
    }));
}

function giveOnTheSame(a: Offer, b: Offer): boolean {
  if ([a, b].some(({ steps }) => steps.some(({ reward }) => isOnOrder(reward)))) return true;
  const options = new Set(a.steps.flatMap(({ reward }) => rewardOptions(reward)));
  return b.steps.some(({ reward }) => rewardOptions(reward).some((id) => options.has(id)));
}

/** Whether there is a moment at which both run. */
function overlap(a: Offer, b: Offer, timeZone: string): boolean {
  const of = ({ schedule }: Offer) =>
    (schedule && intervalsOf(schedule, timeZone)) ?? [[Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY] as const];
  return of(a).some(([start, end]) => of(b).some(([from, until]) => Math.max(start, from) < Math.min(end, until)));
}
