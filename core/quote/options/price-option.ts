import { type FullPrice, hasNoPrice, type Parts, sumOf } from "../../delivery/full-price.ts";
import { type Earned, type Evaluation, evaluatedAnew, type PricedOption } from "../../evaluate/evaluation.ts";
import type { PickedGoods } from "../../measures/only-goods.ts";
import { compareAmounts, type LinearAmount, min, minus, plus, times } from "../../money/linear-amount.ts";
import { multiply, ONE, subtract } from "../../money/rational.ts";
import { paysLess } from "../../money/rounded-gain.ts";
import { bestSet, type Cost } from "../../offers/best-set.ts";
import type { TriggerLook } from "../../offers/trigger-definition.ts";
import { applyRewards, type CompiledReward } from "../../rewards/apply-rewards.ts";
import type { CompiledOrderReward, RewardTools } from "../../rewards/definition.ts";
import type { Facts } from "../../situation/situation.ts";
import { allOf, type Truth } from "../../situation/truth.ts";
import type { TariffOffer, TariffStep } from "../../tariff/tariff.ts";

const everything = () => true;
const NOTHING: readonly Earned[] = [];

function fullPriceOf(option: number, situation: Evaluation): FullPrice {
  const { full } = situation.memo;
  const known = full[option];
  if (known !== undefined) return known;
  const found = situation.tariff.options[option]?.full.price(situation) ?? "not-offered";
  full[option] = found;
  return found;
}

/** @param without leaves one step out, to see what it changes */
export function priceOption(option: number, situation: Evaluation, without?: TariffStep): PricedOption {
  if (without) return newlyPriced(option, situation, without);
  const { priced } = situation.memo;
  const known = priced[option];
  if (known) return known;
  const found = newlyPriced(option, situation);
  priced[option] = found;
  return found;
}

function newlyPriced(option: number, situation: Evaluation, without?: TariffStep): PricedOption {
  const full = fullPriceOf(option, situation);
  if (hasNoPrice(full)) return { full, price: full, used: NOTHING, offOrder: 0 };
  let earned: Earned[] | undefined;
  for (const offer of situation.tariff.offers) {
    const one = earnedOf(offer, option, situation, without);
    if (!one) continue;
    if (earned) earned.push(one);
    else earned = [one];
  }
  if (!earned) return { full, price: sumOf(full), used: NOTHING, offOrder: 0 };
  if (isLeast(option, situation)) return leastPriced(option, full, earned, situation);
  const [first] = earned;
  if (first && earned.length === 1 && first.onOrder.length === 0) {
    // One offer on delivery alone: it is used where it lowers the price.
    const price = applyRewards(full, first.rewards, toolsOf(option, situation, earned));
    const before = sumOf(full);
    const lowers = compareAmounts(price, before, situation.horizon) < 0;
    return { full, price: lowers ? price : before, used: lowers ? earned : NOTHING, offOrder: 0 };
  }
  return bestPriced(option, full, earned, situation);
}

/** What rewards look at besides the parts of the price they are given on. */
function toolsOf(option: number, situation: Evaluation, earned: readonly Earned[]): RewardTools {
  const common = commonTools(situation);
  // Most rewards are given on all of a price: what they look at is the same for every option.
  if (earned.every(({ rewards }) => rewards.every(({ goods }) => goods === null))) return common;
  return { ...common, fullPriceWithout: (goods) => fullPriceWithout(option, goods, situation) };
}

const NO_CHARGE: Parts = { charge: 0, handling: 0, surcharges: 0, own: 0 };

/** What an option would cost in full without some goods, whether or not it could be had then; nothing where nothing is left. */
function fullPriceWithout(option: number, goods: PickedGoods, situation: Evaluation): FullPrice {
  const { memo, tariff, facts, unknownAs } = situation;
  const key = `${option} ${goods.key}`;
  const known = memo.without.get(key);
  if (known !== undefined) return known;
  const left = situation.without(goods.has);
  const found =
    left.lines.length === 0
      ? NO_CHARGE
      : (tariff.options[option]?.full.charged({ ...left, facts, unknownAs }) ?? "not-offered");
  memo.without.set(key, found);
  return found;
}

function commonTools(situation: Evaluation): RewardTools {
  const { memo } = situation;
  memo.tools ??= {
    fullPriceWithout: () => "not-offered",
    horizon: situation.horizon,
    fullPriceOf: (id) => {
      const other = situation.tariff.options.find((candidate) => candidate.id === id);
      return other ? fullPriceOf(other.number, situation) : "not-offered";
    },
  };
  return memo.tools;
}

/** Whether a full price is only the least there could be: some of what it is made of depends on where exactly it goes. */
const isLeast = (option: number, situation: Evaluation): boolean =>
  situation.unknownAs && hasNoPrice(fullPriceOf(option, evaluatedAnew(situation, { unknownAs: false })));

/**
 * What nobody is charged less than: with a dearer full price another set may be best, and rewards that cover other parts
 * may get more of it. So it is the cheapest any set makes it, each reward taken to cover everything where they differ.
 */
function leastPriced(option: number, full: Parts, earned: readonly Earned[], situation: Evaluation): PricedOption {
  const cover = coverAlike(earned) ? asItIs : coveringAll;
  const tools = toolsOf(option, situation, earned);
  const priceAfter = (set: readonly Earned[]) => applyRewards(full, rewardsOf(set, cover), tools);
  const costOf = (set: readonly Earned[]): Cost => ({ net: priceAfter(set), grants: 0 });
  const { set } = bestSet(earned, stack, costOf, costOf, situation.horizon);
  return { full, price: priceAfter(set), used: set, offOrder: 0 };
}

const stack = (a: Earned, b: Earned) => a.offer.stacks[b.offer.number] === true;

const rewardsOf = (set: readonly Earned[], cover: (reward: CompiledReward) => CompiledReward): CompiledReward[] =>
  set.flatMap(({ rewards }) => rewards.map(cover));

/** With several offers earned: what comes of the best set of them. */
function bestPriced(option: number, full: Parts, earned: readonly Earned[], situation: Evaluation): PricedOption {
  const tools = toolsOf(option, situation, earned);
  const priceAfter = (set: readonly Earned[], cover: (reward: CompiledReward) => CompiledReward = asItIs) =>
    applyRewards(full, rewardsOf(set, cover), tools);
  const costWith =
    (cover: (reward: CompiledReward) => CompiledReward) =>
    (set: readonly Earned[]): Cost => {
      const price = priceAfter(set, cover);
      const off = orderOff(set, situation);
      return { net: off === 0 ? price : minus(price, off), grants: giftsOf(set) };
    };
  const costOf = costWith(asItIs);
  // Rewards that cover the same parts only ever add up; others may get in each other's way, and are bounded by what
  // they would come to if each covered everything.
  const boundOf = coverAlike(earned) ? costOf : costWith(coveringAll);
  const { set } = bestSet(earned, stack, costOf, boundOf, situation.horizon);
  return { full, price: priceAfter(set), used: set, offOrder: orderOff(set, situation) };
}

const asItIs = (reward: CompiledReward) => reward;
const coveringAll = (reward: CompiledReward): CompiledReward => ({
  ...reward,
  handling: true,
  surcharges: true,
  own: true,
  goods: null,
});

function coverAlike(earned: readonly Earned[]): boolean {
  const rewards = earned.flatMap((one) => one.rewards);
  const [first] = rewards;
  return rewards.every(
    ({ handling, surcharges, own, goods }) =>
      handling === first?.handling &&
      surcharges === first.surcharges &&
      own === first.own &&
      goods === null &&
      first.goods === null,
  );
}

const giftsOf = (set: readonly Earned[]): number =>
  set.reduce((sum, { onOrder }) => sum + onOrder.filter(({ reward }) => reward.kind === "gift").length, 0);

/** Percents of the same goods are multiplied, then money comes off; never more than the goods. */
function orderOff(set: readonly Earned[], situation: Evaluation): LinearAmount {
  const rewards = set.flatMap(({ onOrder }) => onOrder.map(({ reward }) => reward));
  let off: LinearAmount = 0;
  const percents = new Map<string, { of: Extract<CompiledOrderReward, { kind: "percent" }>["of"]; left: typeof ONE }>();
  for (const reward of rewards) {
    switch (reward.kind) {
      case "money":
        off = plus(off, reward.amount);
        break;
      case "percent": {
        const known = percents.get(reward.key) ?? { of: reward.of, left: ONE };
        percents.set(reward.key, { ...known, left: multiply(known.left, subtract(ONE, reward.part)) });
        break;
      }
      case "gift":
        break;
      default:
        reward satisfies never;
    }
  }
  for (const { of, left } of percents.values()) off = plus(off, times(situation.goods(of), subtract(ONE, left)));
  return off === 0 ? 0 : min(off, situation.goods(everything), situation.horizon);
}

const NO_REWARDS: Earned["rewards"] = [];
const NO_ORDER_REWARDS: Earned["onOrder"] = [];

/** What a shopper has earned of an offer for one option; undefined when that is nothing. */
function earnedOf(
  offer: TariffOffer,
  option: number,
  situation: Evaluation,
  without: TariffStep | undefined,
): Earned | undefined {
  let rewards: CompiledReward[] | undefined;
  let onOrder: { step: TariffStep; reward: CompiledOrderReward }[] | undefined;
  for (const step of offer.steps) {
    if (step === without || !reached(offer, step, situation)) continue;
    if (step.reward && step.options.includes(option)) {
      rewards ??= [];
      rewards.push(step.reward);
    }
    if (step.onOrder) {
      onOrder ??= [];
      onOrder.push({ step, reward: step.onOrder });
    }
  }
  return rewards || onOrder
    ? { offer, rewards: rewards ?? NO_REWARDS, onOrder: onOrder ?? NO_ORDER_REWARDS }
    : undefined;
}

/** Whether an offer holds: its time, its limits, its condition. */
export function offerHolds(offer: TariffOffer, situation: Evaluation): boolean {
  const { offers } = situation.memo;
  let truth = offers[offer.number];
  if (truth === undefined) {
    truth =
      inTime(offer, situation) &&
      allOf([withinLimits(offer, situation), offer.when?.test(situation) ?? (offer.when ? null : true)]);
    offers[offer.number] = truth;
  }
  return truth ?? situation.unknownAs;
}

export const inTime = ({ schedule }: Pick<TariffOffer, "schedule">, { facts }: Pick<Evaluation, "facts">): boolean =>
  schedule === null || schedule.some(([start, end]) => start <= facts.at && facts.at < end);

/** A guest's own uses are not known: they are taken for none only where the plan says so. */
export function withinLimits({ id, offer: { limits } }: TariffOffer, { facts }: Evaluation): Truth {
  if (!limits) return true;
  const uses = facts.uses.get(id);
  if (limits.overall !== undefined && (uses?.overall ?? 0) >= limits.overall) return false;
  if (limits.perShopper === undefined) return true;
  const own = uses?.byShopper ?? (facts.shopper.id === undefined ? null : 0);
  if (own === null) return limits.guests === "every-time" ? true : null;
  return own < limits.perShopper;
}

/** Whether a step is earned: its trigger is met and its offer holds. */
export function reached(offer: TariffOffer, step: TariffStep, situation: Evaluation): boolean {
  return triggered(step, situation) === true && offerHolds(offer, situation);
}

const LOOK: TriggerLook<TariffStep, Evaluation> = {
  goalMet: ({ goal }, now) => (goal ? now.reaches(goal.measure, goal.least) : false),
  codeEntered: (step, now) => hasCode(step, now.facts),
};

const triggered = (step: TariffStep, situation: Evaluation): Truth => step.trigger.met(LOOK, step, situation);

/** Whether one of a step's codes has been entered. */
export function hasCode({ codes }: TariffStep, facts: Facts): boolean {
  for (const code of facts.codes) if (codes.has(code)) return true;
  return false;
}

export type Improvement = "better" | "no-better" | "no-price";

/** Whether a step, once reached, betters anything for the shopper that would be as it is without that step. */
export function improves(step: TariffStep, situation: Evaluation): Improvement {
  let anyPrice = false;
  const numbers = step.onOrder ? situation.tariff.options.map(({ number }) => number) : step.options;
  for (const option of numbers) {
    const after = priceOption(option, situation);
    const before = priceOption(option, situation, step);
    if (typeof after.price === "string" || typeof before.price === "string") continue;
    anyPrice = true;
    // A gift of another offer that a tie brings along is none of what this step promises.
    if (step.onOrder?.kind === "gift" && giftsOf(after.used) > giftsOf(before.used)) return "better";
    if (
      paysLess(
        { price: after.price, off: after.offOrder },
        { price: before.price, off: before.offOrder },
        situation.horizon,
      )
    )
      return "better";
  }
  return anyPrice ? "no-better" : "no-price";
}
