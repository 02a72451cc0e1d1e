import { compareAmounts, type Horizon, type LinearAmount } from "../money/linear-amount.ts";

/** What a set of offers comes to for one option: delivery less what it takes off the order, and how much else it grants. */
export type Cost = { readonly net: LinearAmount; readonly grants: number };

/** Below zero: `a` is better for the shopper. Exact figures are compared, before any rounding. */
const compareCosts = (a: Cost, b: Cost, horizon: Horizon | null): number =>
  compareAmounts(a.net, b.net, horizon) || b.grants - a.grants;

/**
 * The set of offers that costs the shopper least, then grants most, then comes first by position, among all sets whose
 * offers stand each other. What a set could come to at best bounds every set within it, so that whole branches are
 * passed over. Offers that change nothing are left out of the answer.
 *
 * @param candidates offers that could be used, in order of position
 * @param canStack whether two offers may be used together
 * @param costOf what a set comes to; the empty set included
 * @param boundOf what no set within it can be better than
 */
export function bestSet<Offer>(
  candidates: readonly Offer[],
  canStack: (a: Offer, b: Offer) => boolean,
  costOf: (set: readonly Offer[]) => Cost,
  boundOf: (set: readonly Offer[]) => Cost,
  horizon: Horizon | null,
): { readonly set: readonly Offer[]; readonly cost: Cost } {
  let best: { set: readonly Offer[]; cost: Cost } = { set: [], cost: costOf([]) };
  const explore = (chosen: readonly Offer[], open: readonly Offer[]): void => {
    const all = open.length === 0 ? chosen : [...chosen, ...open];
    const bound = boundOf(all);
    if (compareCosts(bound, best.cost, horizon) >= 0) return;
    if (allFriends(open, canStack)) {
      const cost = boundOf === costOf ? bound : costOf(all);
      if (compareCosts(cost, best.cost, horizon) < 0) best = { set: all, cost };
      if (compareCosts(cost, bound, horizon) <= 0) return;
    }
    const [first, ...rest] = open;
    if (first === undefined) return;
    explore(
      [...chosen, first],
      rest.filter((other) => canStack(first, other)),
    );
    explore(chosen, rest);
  };
  if (candidates.length > 0) explore([], candidates);
  return { set: withoutIdle(best.set, best.cost, costOf, horizon), cost: best.cost };
}

const allFriends = <Offer>(offers: readonly Offer[], canStack: (a: Offer, b: Offer) => boolean) =>
  offers.every((a, i) => offers.every((b, j) => j <= i || canStack(a, b)));

/** Drops offers, last first, whose absence changes nothing. */
function withoutIdle<Offer>(
  set: readonly Offer[],
  cost: Cost,
  costOf: (set: readonly Offer[]) => Cost,
  horizon: Horizon | null,
): readonly Offer[] {
  let kept = set;
  for (const offer of [...set].reverse()) {
    if (kept.length === 1) break;
    const without = kept.filter((other) => other !== offer);
    if (compareCosts(costOf(without), cost, horizon) === 0) kept = without;
  }
  return kept;
}
