import { type Parts, sumOf } from "../../delivery/full-price.ts";
import type { Evaluation, Payable, PricedOption } from "../../evaluate/evaluation.ts";
import { type GoodsFilter, leavesOutKey } from "../../measures/goods-filter.ts";
import { isAtMost, type LinearAmount, lesser, min, minus, plus, times } from "../../money/linear-amount.ts";
import { multiply, ONE, type Rational, subtract } from "../../money/rational.ts";
import { bestSet, byCompany, type Cost, costWithoutOf, withoutIdle } from "../../offers/best-set.ts";
import {
  AppliedRewards,
  addsUp,
  applyRewards,
  type CompiledReward,
  comesDown,
  coverAlike,
} from "../../rewards/apply-rewards.ts";
import type { RewardTools } from "../../rewards/definition.ts";
import type { Situation } from "../../situation/situation.ts";
import type { Earned } from "../../tariff/earnable.ts";
import type { TariffStep } from "../../tariff/tariff-offer.ts";

/** What it comes to without one step, where nothing has to be chosen anew for that; undefined where it has. */
type Without = (step: TariffStep) => Payable | undefined;

/** What comes of the best set of the offers earned for an option. Which of them change anything takes longer, and is found on demand. */
export class Best implements PricedOption {
  readonly full: Parts;
  readonly price: LinearAmount;
  readonly offOrder: LinearAmount;
  readonly gifts: number;
  readonly without: Without;
  private readonly find: () => readonly Earned[];
  private found: readonly Earned[] | undefined;
  constructor(full: Parts, { price, offOrder, gifts }: BestPayable, find: () => readonly Earned[], without: Without) {
    this.full = full;
    this.price = price;
    this.offOrder = offOrder;
    this.gifts = gifts;
    this.without = without;
    this.find = find;
    this.found = undefined;
  }
  get used(): readonly Earned[] {
    this.found ??= this.find();
    return this.found;
  }
}

type BestPayable = Payable & { readonly price: LinearAmount };

const NOTHING: readonly Earned[] = [];
const nothing = () => NOTHING;
const anew = () => undefined;
const everything = () => true;

/** With nothing on the order. */
const onDelivery = (price: LinearAmount): BestPayable => ({ price, offOrder: 0, gifts: 0 });

/** Where nothing was earned. */
export function unchanged(full: Parts): Best {
  const payable = onDelivery(sumOf(full));
  return new Best(full, payable, nothing, () => payable);
}

/** One offer on delivery alone: it is used where it lowers the price, which it never raises. */
export function loneOffer(full: Parts, earned: readonly Earned[], tools: RewardTools): Best {
  const rewards = earned[0]?.rewards ?? [];
  const price = applyRewards(full, rewards, tools);
  const used = () => (isAtMost(sumOf(full), price, tools.horizon) ? NOTHING : earned);
  return new Best(full, onDelivery(price), used, ({ reward }) => {
    const left = rewards.filter((other) => other !== reward);
    return onDelivery(left.length === 0 ? sumOf(full) : applyRewards(full, left, tools));
  });
}

/**
 * What nobody is charged less than: with a dearer full price another set may be best, and rewards that cover other parts
 * may get more of it. So it is the cheapest any set makes it, each reward taken to cover everything where they differ.
 */
export function leastPriced(full: Parts, earned: readonly Earned[], situation: Evaluation, tools: RewardTools): Best {
  const cover = coverAlike(rewardsOf(earned)) ? undefined : coveringAll;
  const priceAfter = (set: readonly Earned[]) => applyRewards(full, rewardsOf(set, cover), tools);
  const costOf = (set: readonly Earned[]): Cost => ({ net: priceAfter(set), grants: 0 });
  const found = bestSet(earned, stackingIn(situation), costOf, costOf, situation.horizon);
  const set = withoutIdle(found, costWithoutOf(found.set, costOf), situation.horizon);
  return new Best(full, onDelivery(priceAfter(set)), () => set, anew);
}

/** With several offers earned: what comes of the best set of them. */
export function bestPriced(
  full: Parts,
  earned: readonly Earned[],
  situation: Evaluation,
  tools: RewardTools,
  option: number,
): Best {
  const earnable = situation.tariff.earnable[option];
  const onOrder = earnable?.onOrder === true && earned.some((one) => one.onOrder.length > 0);
  const choice: Choice = { full, earned, situation, tools, onOrder };
  const rewards = rewardsOf(earned);
  const allAddUp = addsUp(rewards);
  if (allAddUp && earnable?.allTogether) return allUsed(choice, rewards);
  return (onOrder ? undefined : oneCompany(choice, allAddUp)) ?? chosenSet(choice, allAddUp);
}

/** Offers earned for an option of which some set is the best. `onOrder`: whether any gives something on the order. */
type Choice = {
  readonly full: Parts;
  readonly earned: readonly Earned[];
  readonly situation: Evaluation;
  readonly tools: RewardTools;
  readonly onOrder: boolean;
};

/** Where all that may be used together adds up it does most: only who asks is told which of them change anything. */
function allUsed(choice: Choice, rewards: readonly CompiledReward[]): Best {
  const { full, earned, situation, tools, onOrder } = choice;
  const { horizon } = situation;
  const applied = new AppliedRewards(full, rewards, tools);
  const { price } = applied;
  const usedOnDelivery = () => {
    if (isAtMost(sumOf(full), price, horizon)) return NOTHING;
    const costWithout = (left: ReadonlySet<Earned>): Cost => ({
      net: applied.withoutAll(new Set(rewardsOf([...left]))),
      grants: 0,
    });
    return withoutIdle({ set: earned, cost: { net: price, grants: 0 } }, costWithout, horizon);
  };
  const payable = { price, offOrder: onOrder ? orderOff(earned, situation) : 0, gifts: onOrder ? giftsOf(earned) : 0 };
  const used = onOrder ? () => changingIn(choice, true).used() : usedOnDelivery;
  return new Best(full, payable, used, ({ reward, onOrder: givesOnOrder }) =>
    reward && !givesOnOrder ? { ...payable, price: applied.without(reward) } : undefined,
  );
}

/** Where all of a company add up and may be used together, the company with the lowest price is best; undefined where they may not. */
function oneCompany(choice: Choice, allAddUp: boolean): Best | undefined {
  const { full, earned, situation, tools } = choice;
  const { companyOf, complete } = stackingIn(situation);
  const rewards: (readonly CompiledReward[])[] = [];
  for (const [company, members] of byCompany(earned, companyOf)) {
    const ofCompany = rewardsOf(members);
    if (!complete(company) || !addsUp(ofCompany)) return undefined;
    rewards.push(ofCompany);
  }
  const prices = rewards.map((ofCompany) => applyRewards(full, ofCompany, tools));
  const least = (all: readonly LinearAmount[]) => onDelivery(all.reduce((a, b) => lesser(a, b, situation.horizon)));
  const used = () => changingIn(choice, allAddUp).used();
  return new Best(full, least(prices), used, ({ reward: left }) =>
    least(
      prices.map((price, i) => {
        const ofCompany = rewards[i] ?? [];
        const rest = ofCompany.filter((reward) => reward !== left);
        return rest.length === ofCompany.length ? price : applyRewards(full, rest, tools);
      }),
    ),
  );
}

/** The best of all sets that may be used together. */
function chosenSet(choice: Choice, allAddUp: boolean): Best {
  const { full, situation, tools, onOrder } = choice;
  const { found, used } = changingIn(choice, allAddUp);
  const changing = allAddUp ? undefined : used();
  const set = changing ?? found.set;
  const payable = {
    price: applyRewards(full, rewardsOf(set), tools),
    offOrder: onOrder ? orderOff(set, situation) : 0,
    gifts: onOrder ? giftsOf(set) : 0,
  };
  const find = () => changing ?? used();
  // What is best without being in it stays best where it is gone.
  return new Best(full, payable, find, (step) => (found.set.some((one) => givesOf(one, step)) ? undefined : payable));
}

/** The best set, and on demand those of it that change anything. @param allAddUp whether one of those earned more never costs more */
function changingIn(choice: Choice, allAddUp: boolean) {
  const { full, earned, situation, tools, onOrder } = choice;
  const { horizon } = situation;
  const costOf =
    (cover?: (reward: CompiledReward) => CompiledReward) =>
    (set: readonly Earned[]): Cost => {
      const price = applyRewards(full, rewardsOf(set, cover), tools);
      const off = onOrder ? orderOff(set, situation) : 0;
      return { net: off === 0 ? price : minus(price, off), grants: onOrder ? giftsOf(set) : 0 };
    };
  const cost = costOf();
  const bound = allAddUp ? cost : boundBy(cost, costOf(coveringAll), horizon);
  const found = bestSet(earned, stackingIn(situation), cost, bound, horizon);
  return { found, used: () => withoutIdle(found, costWithoutOf(found.set, cost), horizon) };
}

/** Offers with prices to come down to that may get in each other's way: so many are tried in every combination. */
const MOST_TRIED = 5;

/**
 * What no set within one can be better than. Of rewards that only add up, all together do most; where some may get in each other's
 * way, each choice of those is tried with all the others, or all are taken to cover everything.
 */
function boundBy(
  costOf: (set: readonly Earned[]) => Cost,
  ifAllCovered: (set: readonly Earned[]) => Cost,
  horizon: Situation["horizon"],
): (set: readonly Earned[]) => Cost {
  return (set) => {
    if (addsUp(rewardsOf(set))) return costOf(set);
    const inTheWay = set.filter(({ rewards }) => rewards.some(comesDown));
    if (inTheWay.length > MOST_TRIED) return ifAllCovered(set);
    let best = costOf(set);
    for (let choice = 1; choice < 2 ** inTheWay.length; choice += 1) {
      const left = new Set(inTheWay.filter((_, i) => (choice >> i) & 1));
      const cost = costOf(set.filter((one) => !left.has(one)));
      best = { net: min(best.net, cost.net, horizon), grants: Math.max(cost.grants, best.grants) };
    }
    return best;
  };
}

const stackingIn = ({ tariff }: Evaluation) => ({
  canStack: (a: Earned, b: Earned) => a.offer.stacks[b.offer.number] === true,
  companyOf: ({ offer }: Earned) => tariff.companies.of(offer.number),
  complete: tariff.companies.complete,
});

function rewardsOf(
  set: readonly Earned[],
  cover?: (reward: CompiledReward) => CompiledReward,
): readonly CompiledReward[] {
  const rewards: CompiledReward[] = [];
  for (const one of set) for (const reward of one.rewards) rewards.push(cover ? cover(reward) : reward);
  return rewards;
}

const coveringAll = (reward: CompiledReward): CompiledReward => ({
  ...reward,
  handling: true,
  surcharges: true,
  own: true,
  goods: null,
});

const givesOf = ({ rewards, onOrder }: Earned, { reward, onOrder: onOrderOf }: TariffStep): boolean =>
  (reward !== null && rewards.includes(reward)) || onOrder.some((one) => one.reward === onOrderOf);

const giftsOf = (set: readonly Earned[]): number =>
  set.reduce((sum, { onOrder }) => sum + onOrder.filter(({ reward }) => reward.kind === "gift").length, 0);

/** Percents of the same goods are multiplied, then money comes off; never more than the goods. */
function orderOff(set: readonly Earned[], situation: Evaluation): LinearAmount {
  let off: LinearAmount = 0;
  let percents: Map<string, { readonly of: GoodsFilter; left: Rational }> | undefined;
  for (const { onOrder } of set)
    for (const { reward } of onOrder)
      switch (reward.kind) {
        case "money":
          off = plus(off, reward.amount);
          break;
        case "percent": {
          percents ??= new Map();
          const known = percents.get(reward.key) ?? { of: reward.of, left: ONE };
          known.left = multiply(known.left, subtract(ONE, reward.part));
          percents.set(reward.key, known);
          break;
        }
        case "gift":
          break;
        default:
          reward satisfies never;
      }
  for (const [key, { of, left }] of percents ?? [])
    off = plus(off, times(goodsOf(key, of, situation), subtract(ONE, left)));
  return off === 0 ? 0 : min(off, goodsOf(ALL, everything, situation), situation.horizon);
}

const ALL = leavesOutKey(undefined);

/** What goods come to after all discounts; asked of each set of offers anew. @param key the same for filters that mean the same */
function goodsOf(key: string, of: GoodsFilter, situation: Evaluation): LinearAmount {
  const { memo } = situation;
  memo.goods ??= new Map();
  const known = memo.goods.get(key);
  if (known !== undefined) return known;
  const found = situation.goods(of);
  memo.goods.set(key, found);
  return found;
}
