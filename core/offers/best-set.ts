import { type Horizon, isAtMost, type LinearAmount } from "../money/linear-amount.ts";

/** What a set of offers comes to for one option: delivery less what it takes off the order, and how much else it grants. */
export type Cost = { readonly net: LinearAmount; readonly grants: number };

/** Whether `a` is better for the shopper: it costs less, or as much and grants more. Exact figures are compared, before any rounding. */
const isBetter = (a: Cost, b: Cost, horizon: Horizon | null): boolean =>
  a.grants > b.grants ? isAtMost(a.net, b.net, horizon) : !isAtMost(b.net, a.net, horizon);

/** Which offers may be used together. */
export type Stacking<Offer> = {
  readonly canStack: (a: Offer, b: Offer) => boolean;
  /** Two of different companies may not. */
  readonly companyOf: (offer: Offer) => number;
  /** Whether all of a company may. */
  readonly complete: (company: number) => boolean;
};

type Found<Offer> = { readonly set: readonly Offer[]; readonly cost: Cost };

/**
 * The set of offers that costs the shopper least, then grants most, then comes first by position, among all sets whose
 * offers stand each other. What a set could come to at best bounds every set within it, so that whole branches are
 * passed over.
 *
 * @param candidates offers that could be used, in order of position
 * @param costOf what a set comes to; the empty set included
 * @param boundOf what no set within it can be better than
 */
export function bestSet<Offer>(
  candidates: readonly Offer[],
  stacking: Stacking<Offer>,
  costOf: (set: readonly Offer[]) => Cost,
  boundOf: (set: readonly Offer[]) => Cost,
  horizon: Horizon | null,
): Found<Offer> {
  const none: Found<Offer> = { set: [], cost: costOf([]) };
  let best = none;
  for (const [company, members] of byCompany(candidates, stacking.companyOf)) {
    const found = bestOf(members, stacking.complete(company) ? null : stacking.canStack, none, {
      costOf,
      boundOf,
      horizon,
    });
    const isBest = isBefore(candidates, found.set, best.set)
      ? !isBetter(best.cost, found.cost, horizon)
      : isBetter(found.cost, best.cost, horizon);
    if (isBest) best = found;
  }
  return best;
}

/** Of sets that come to the same, the one whose first offer comes first. */
function isBefore<Offer>(candidates: readonly Offer[], a: readonly Offer[], b: readonly Offer[]): boolean {
  const [one, other] = [a[0], b[0]];
  return one !== undefined && other !== undefined && candidates.indexOf(one) < candidates.indexOf(other);
}

/** The candidates of each company, by its number. */
export function byCompany<Offer>(
  candidates: readonly Offer[],
  companyOf: (offer: Offer) => number,
): ReadonlyMap<number, readonly Offer[]> {
  const companies = new Map<number, Offer[]>();
  for (const offer of candidates) {
    const members = companies.get(companyOf(offer));
    if (members) members.push(offer);
    else companies.set(companyOf(offer), [offer]);
  }
  return companies;
}

type Costs<Offer> = {
  readonly costOf: (set: readonly Offer[]) => Cost;
  readonly boundOf: (set: readonly Offer[]) => Cost;
  readonly horizon: Horizon | null;
};

/** @param canStack null: all of them may be used together */
function bestOf<Offer>(
  members: readonly Offer[],
  canStack: ((a: Offer, b: Offer) => boolean) | null,
  none: Found<Offer>,
  { costOf, boundOf, horizon }: Costs<Offer>,
): Found<Offer> {
  let best = none;
  const explore = (chosen: readonly Offer[], open: readonly Offer[]): void => {
    const all = open.length === 0 ? chosen : [...chosen, ...open];
    const bound = boundOf(all);
    if (!isBetter(bound, best.cost, horizon)) return;
    if (!canStack || allFriends(open, canStack)) {
      const cost = boundOf === costOf ? bound : costOf(all);
      if (isBetter(cost, best.cost, horizon)) best = { set: all, cost };
      if (!isBetter(bound, cost, horizon)) return;
    }
    const [first, ...rest] = open;
    if (first === undefined) return;
    explore([...chosen, first], canStack ? rest.filter((other) => canStack(first, other)) : rest);
    explore(chosen, rest);
  };
  explore([], members);
  return best;
}

const allFriends = <Offer>(offers: readonly Offer[], canStack: (a: Offer, b: Offer) => boolean) =>
  offers.every((a, i) => offers.every((b, j) => j <= i || canStack(a, b)));

/**
 * Drops offers, last first, whose absence changes nothing.
 *
 * @param costWithout what the set comes to without some of its offers
 */
export function withoutIdle<Offer>(
  { set, cost }: Found<Offer>,
  costWithout: (left: ReadonlySet<Offer>) => Cost,
  horizon: Horizon | null,
): readonly Offer[] {
  const left = new Set<Offer>();
  for (let i = set.length - 1; i >= 0 && left.size < set.length - 1; i -= 1) {
    const offer = set[i];
    if (offer === undefined) continue;
    left.add(offer);
    if (isBetter(cost, costWithout(left), horizon)) left.delete(offer);
  }
  return left.size === 0 ? set : set.filter((offer) => !left.has(offer));
}

/** {@link withoutIdle} for costs of whole sets. */
export const costWithoutOf =
  <Offer>(set: readonly Offer[], costOf: (set: readonly Offer[]) => Cost) =>
  (left: ReadonlySet<Offer>): Cost =>
    costOf(set.filter((offer) => !left.has(offer)));
