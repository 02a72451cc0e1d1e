import { hasNoPrice, type Parts, sumOf } from "../delivery/full-price.ts";
import { type PickedGoods, pickGoods } from "../measures/only-goods.ts";
import { type AmountContext, amountFor } from "../money/amount.ts";
import {
  type Horizon,
  isAtMost,
  type LinearAmount,
  lessAtLeastZero,
  lesser,
  linearAmount,
  minus,
} from "../money/linear-amount.ts";
import { addWhole, HALF, ZERO } from "../money/rational.ts";
import type { Covers, PriceChange, RewardTools } from "./definition.ts";
import { type DeliveryReward, deliveryReward } from "./reward.ts";

/** A reward on delivery for one market and currency. `turn` is when it takes its turn among others. */
export type CompiledReward = Covers & {
  readonly turn: number;
  readonly limit: number | null;
  /** The goods whose share of the price it is given on; null: on all of it. */
  readonly goods: PickedGoods | null;
  readonly change: PriceChange;
};

/** Another option's price and flat prices take the first turns. */
const LAST_TO_COME_DOWN = 1;

/** Whether a reward brings what it covers down to a price; others take off what is there. */
export const comesDown = ({ turn }: CompiledReward): boolean => turn <= LAST_TO_COME_DOWN;

/**
 * Whether one of them more never costs more. Only prices to come down to can get in each other's way, where they cover other parts or
 * the share of some goods: what one takes off handling, another may leave on the charge.
 */
export function addsUp(rewards: readonly CompiledReward[]): boolean {
  let first: CompiledReward | undefined;
  for (const reward of rewards) {
    if (!comesDown(reward)) continue;
    if (first) return coverAlike(rewards.filter(comesDown));
    first = reward;
  }
  return true;
}

/** Whether they cover the same parts, and none of them a share of goods. */
export const coverAlike = (rewards: readonly CompiledReward[]): boolean =>
  rewards.every(
    ({ goods, handling, surcharges, own }) =>
      goods === null &&
      handling === rewards[0]?.handling &&
      surcharges === rewards[0].surcharges &&
      own === rewards[0].own,
  );

/** Undefined where an amount is missing: the step is not available there. */
export function compileReward(reward: DeliveryReward, context: AmountContext): CompiledReward | undefined {
  const { turn, coversAll, compile } = deliveryReward(reward);
  const limit = reward.limit ? amountFor(reward.limit, context) : null;
  const change = compile(reward, context);
  const goods = "goods" in reward && reward.goods ? pickGoods(reward.goods, context) : null;
  if (limit === undefined || goods === undefined || !change) return undefined;
  if (coversAll) return { turn, limit, goods, handling: true, surcharges: true, own: true, change };
  const { handling = true, surcharges = true, ownCharges: own = false } = reward.covers ?? {};
  return { turn, limit, goods, handling, surcharges, own, change };
}

/**
 * The exact price after all rewards a shopper has earned on one option: another option's price, flat prices, percents
 * multiplied, money off, allowances. No part ever rises, none falls below zero.
 */
export function applyRewards(full: Parts, rewards: readonly CompiledReward[], tools: RewardTools): LinearAmount {
  let parts = full;
  for (const reward of inTurn(rewards)) parts = after(full, parts, reward, tools);
  return sumOf(parts);
}

function after(full: Parts, parts: Parts, reward: CompiledReward, tools: RewardTools): Parts {
  if (reward.limit !== null && isAbove(sumOf(full), reward.limit, tools.horizon)) return parts;
  return reward.goods ? onShare(full, parts, reward, reward.goods, tools) : reward.change(parts, reward, tools);
}

/** Rewards applied in turn, with what was left after each, so that the price without one of them is the rest applied anew. */
export class AppliedRewards {
  readonly price: LinearAmount;
  private readonly full: Parts;
  private readonly tools: RewardTools;
  private readonly inTurn: readonly CompiledReward[];
  /** Before each of them. */
  private readonly parts: Parts[] = [];
  constructor(full: Parts, rewards: readonly CompiledReward[], tools: RewardTools) {
    this.full = full;
    this.tools = tools;
    this.inTurn = inTurn(rewards);
    let parts = full;
    for (const reward of this.inTurn) {
      this.parts.push(parts);
      parts = after(full, parts, reward, tools);
    }
    this.price = sumOf(parts);
  }
  /** The price without one of them. */
  without(reward: CompiledReward): LinearAmount {
    return this.whenLeft(this.inTurn.indexOf(reward), (next) => next === reward);
  }
  /** The price without some of them. */
  withoutAll(left: ReadonlySet<CompiledReward>): LinearAmount {
    return this.whenLeft(
      this.inTurn.findIndex((next) => left.has(next)),
      (next) => left.has(next),
    );
  }
  private whenLeft(first: number, isLeft: (reward: CompiledReward) => boolean): LinearAmount {
    let parts = this.parts[first];
    if (!parts) return this.price;
    for (let i = first + 1; i < this.inTurn.length; i += 1) {
      const next = this.inTurn[i];
      if (next && !isLeft(next)) parts = after(this.full, parts, next, this.tools);
    }
    return sumOf(parts);
  }
}

/** In the order in which they take their turns; most are already. */
function inTurn(rewards: readonly CompiledReward[]): readonly CompiledReward[] {
  if (rewards.length < 2) return rewards;
  let last = 0;
  for (const { turn } of rewards) {
    if (turn < last) return [...rewards].sort((a, b) => a.turn - b.turn);
    last = turn;
  }
  return rewards;
}

/**
 * A reward on the share of some goods: what the whole cart is charged less what it would be without them, never below zero. Where
 * the rest would have no price of its own, nobody can say what their share is, and nothing is given.
 */
function onShare(full: Parts, parts: Parts, reward: CompiledReward, goods: PickedGoods, tools: RewardTools): Parts {
  const rest = tools.fullPriceWithout(goods);
  if (hasNoPrice(rest)) return parts;
  const { horizon } = tools;
  // Rewards before it may have left less than that.
  const left = eachPart(full, rest, parts, (whole, without, now) => {
    const share = lessAtLeastZero(whole, without, horizon);
    return now === whole ? share : lesser(share, now, horizon);
  });
  return eachPart(parts, left, reward.change(left, reward, tools), (now, before, after) =>
    minus(now, minus(before, after)),
  );
}

const eachPart = (
  a: Parts,
  b: Parts,
  c: Parts,
  of: (a: LinearAmount, b: LinearAmount, c: LinearAmount) => LinearAmount,
): Parts => ({
  charge: of(a.charge, b.charge, c.charge),
  handling: of(a.handling, b.handling, c.handling),
  surcharges: of(a.surcharges, b.surcharges, c.surcharges),
  own: of(a.own, b.own, c.own),
});

/** Whether a price as it is stated, rounded half away from zero, is more than a limit. */
const isAbove = (price: LinearAmount, limit: number, horizon: Horizon | null): boolean =>
  isAtMost(typeof price === "number" ? limit + 1 : linearAmount(addWhole(HALF, limit), ZERO), price, horizon);
