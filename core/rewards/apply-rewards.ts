import { type Parts, sumOf } from "../delivery/full-price.ts";
import { type AmountContext, amountFor } from "../money/amount.ts";
import { compareAmounts, type Horizon, type LinearAmount, linearAmount } from "../money/linear-amount.ts";
import { ZERO } from "../money/rational.ts";
import type { Covers, PriceChange, RewardTools } from "./definition.ts";
import { type DeliveryReward, deliveryReward } from "./reward.ts";

/** A reward on delivery for one market and currency. `turn` is when it takes its turn among others. */
export type CompiledReward = Covers & {
  readonly turn: number;
  readonly limit: number | null;
  readonly change: PriceChange;
};

/** Undefined where an amount is missing: the step is not available there. */
export function compileReward(reward: DeliveryReward, context: AmountContext): CompiledReward | undefined {
  const { turn, coversAll, compile } = deliveryReward(reward);
  const limit = reward.limit ? amountFor(reward.limit, context) : null;
  const change = compile(reward, context);
  if (limit === undefined || !change) return undefined;
  if (coversAll) return { turn, limit, handling: true, surcharges: true, own: true, change };
  const { handling = true, surcharges = true, ownCharges: own = false } = reward.covers ?? {};
  return { turn, limit, handling, surcharges, own, change };
}

/**
 * The exact price after all rewards a shopper has earned on one option: another option's price, flat prices, percents
 * multiplied, money off, allowances. No part ever rises, none falls below zero, so a reward more never costs more.
 */
export function applyRewards(full: Parts, rewards: readonly CompiledReward[], tools: RewardTools): LinearAmount {
  let parts = full;
  const ordered = rewards.length > 1 ? [...rewards].sort((a, b) => a.turn - b.turn) : rewards;
  for (const reward of ordered) {
    if (reward.limit !== null && isAbove(sumOf(full), reward.limit, tools.horizon)) continue;
    parts = reward.change(parts, reward, tools);
  }
  return sumOf(parts);
}

/** Whether a price as it is stated, rounded half away from zero, is more than a limit. */
const isAbove = (price: LinearAmount, limit: number, horizon: Horizon | null): boolean =>
  compareAmounts(
    price,
    typeof price === "number" ? limit + 1 : linearAmount({ n: 2n * BigInt(limit) + 1n, d: 2n }, ZERO),
    horizon,
  ) >= 0;
