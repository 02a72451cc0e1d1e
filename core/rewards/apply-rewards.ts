import type { FullPrice } from "../delivery/full-price.ts";
import { hasNoPrice, type Parts, sumOf } from "../delivery/full-price.ts";
import { type AmountContext, amountFor } from "../money/amount.ts";
import { percent } from "../money/decimal.ts";
import {
  compareAmounts,
  form,
  type Horizon,
  type LinearAmount,
  least,
  lessAtLeastZero,
  minus,
  plus,
  times,
} from "../money/linear-amount.ts";
import { ONE, type Rational, subtract, ZERO } from "../money/rational.ts";
import type { DeliveryReward } from "./reward.ts";

/**
 * A reward on delivery for one market and currency. `order` is when it takes its turn: another option's price, flat
 * prices, percents, money off, allowances.
 */
export type CompiledReward = {
  readonly order: number;
  readonly limit: number | null;
  readonly handling: boolean;
  readonly surcharges: boolean;
  readonly own: boolean;
  readonly change:
    | { readonly kind: "down-to"; readonly price: number }
    | { readonly kind: "option-price"; readonly of: string }
    | { readonly kind: "keep"; readonly part: Rational }
    | { readonly kind: "less"; readonly amount: number };
};

/** Undefined where an amount is missing: the step is not available there. */
export function compileReward(reward: DeliveryReward, context: AmountContext): CompiledReward | undefined {
  const limit = reward.limit ? amountFor(reward.limit, context) : null;
  const change = changeOf(reward, context);
  if (limit === undefined || !change) return undefined;
  // What another option costs is all of what it costs: handling and products' own charges are not paid twice.
  const whole = { handling: true, surcharges: true, ownCharges: true };
  const {
    handling = true,
    surcharges = true,
    ownCharges = false,
  } = reward.kind === "option-price" ? whole : (reward.covers ?? {});
  const order = { "option-price": 0, "flat-price": 1, free: 1, "percent-off": 2, "money-off": 3, allowance: 4 };
  return { order: order[reward.kind], limit, handling, surcharges, own: ownCharges, change };
}

function changeOf(reward: DeliveryReward, context: AmountContext): CompiledReward["change"] | undefined {
  switch (reward.kind) {
    case "free":
      return { kind: "down-to", price: 0 };
    case "option-price":
      return { kind: "option-price", of: reward.of };
    case "percent-off": {
      const off = percent(reward.percent);
      return off && { kind: "keep", part: subtract(ONE, off) };
    }
    case "flat-price": {
      const price = amountFor(reward.amount, context);
      return price === undefined ? undefined : { kind: "down-to", price };
    }
    case "money-off":
    case "allowance": {
      const amount = amountFor(reward.amount, context);
      return amount === undefined ? undefined : { kind: "less", amount };
    }
  }
}

/**
 * The exact price after all rewards a shopper has earned on one option: another option's price, flat prices, percents
 * multiplied, money off, allowances. No part ever rises, none falls below zero, so a reward more never costs more.
 *
 * @param fullPriceOf another option's full price
 */
export function applyRewards(
  full: Parts,
  rewards: readonly CompiledReward[],
  fullPriceOf: (option: string) => FullPrice,
  horizon: Horizon | null,
): LinearAmount {
  let parts = full;
  const ordered = rewards.length > 1 ? [...rewards].sort((a, b) => a.order - b.order) : rewards;
  for (const reward of ordered) {
    const { limit, change } = reward;
    if (limit !== null && isAbove(sumOf(full), limit, horizon)) continue;
    switch (change.kind) {
      case "down-to":
        parts = downTo(parts, reward, change.price, horizon);
        break;
      case "option-price": {
        const other = fullPriceOf(change.of);
        if (!hasNoPrice(other)) parts = downTo(parts, reward, sumOf(other), horizon);
        break;
      }
      case "keep":
        parts = {
          charge: times(parts.charge, change.part),
          handling: reward.handling ? times(parts.handling, change.part) : parts.handling,
          surcharges: reward.surcharges ? times(parts.surcharges, change.part) : parts.surcharges,
          own: reward.own ? times(parts.own, change.part) : parts.own,
        };
        break;
      case "less":
        parts = reduced(parts, reward, change.amount, horizon);
        break;
    }
  }
  return sumOf(parts);
}

/** Whether a price as it is stated, rounded half away from zero, is more than a limit. */
const isAbove = (price: LinearAmount, limit: number, horizon: Horizon | null): boolean =>
  compareAmounts(
    price,
    typeof price === "number" ? limit + 1 : form({ n: 2n * BigInt(limit) + 1n, d: 2n }, ZERO),
    horizon,
  ) >= 0;

type Covers = Pick<CompiledReward, "handling" | "surcharges" | "own">;

/** Takes what a reward covers down to a price, if it is above it. */
function downTo(parts: Parts, covers: Covers, price: LinearAmount, horizon: Horizon | null): Parts {
  let covered = parts.charge;
  if (covers.handling) covered = plus(covered, parts.handling);
  if (covers.surcharges) covered = plus(covered, parts.surcharges);
  if (covers.own) covered = plus(covered, parts.own);
  return reduced(parts, covers, lessAtLeastZero(covered, price, horizon), horizon);
}

/** Takes an amount off what a reward covers: off the charge first, then handling, surcharges, own charges. */
function reduced(
  { charge, handling, surcharges, own }: Parts,
  covers: Covers,
  by: LinearAmount,
  horizon: Horizon | null,
): Parts {
  let left = by;
  const after = { charge, handling, surcharges, own };
  after.charge = without(charge, left, horizon);
  left = minus(left, minus(charge, after.charge));
  if (covers.handling && handling !== 0) {
    after.handling = without(handling, left, horizon);
    left = minus(left, minus(handling, after.handling));
  }
  if (covers.surcharges && surcharges !== 0) {
    after.surcharges = without(surcharges, left, horizon);
    left = minus(left, minus(surcharges, after.surcharges));
  }
  if (covers.own && own !== 0) after.own = without(own, left, horizon);
  return after;
}

/** A part less so much, at least zero. */
const without = (part: LinearAmount, by: LinearAmount, horizon: Horizon | null): LinearAmount =>
  by === 0 || part === 0 ? part : minus(part, least(part, by, horizon));
