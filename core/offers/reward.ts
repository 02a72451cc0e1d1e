import { type Static, Type } from "@sinclair/typebox";
import { Amount, type AmountContext, type AmountReferences, amountFor, amountProblems } from "../money/amount.ts";
import { percent } from "../money/decimal.ts";
import { multiply, ONE, type Rational, roundHalfAway, subtract, whole } from "../money/rational.ts";
import { byKind, closed, Id, Percent } from "../plan/atoms.ts";
import type { Problem } from "../plan/problem.ts";

const options = Type.Array(Id, {
  minItems: 1,
  maxItems: 100,
  uniqueItems: true,
  description: "Delivery options it is given on",
});

/** What a step gives on the price of its delivery options. */
export const Reward = byKind(
  [
    Type.Object({ kind: Type.Literal("free"), options }, closed),
    Type.Object({ kind: Type.Literal("flat-price"), options, amount: Amount }, closed),
    Type.Object({ kind: Type.Literal("percent-off"), options, percent: Percent }, closed),
    Type.Object({ kind: Type.Literal("money-off"), options, amount: Amount }, closed),
    Type.Object(
      {
        kind: Type.Literal("option-price"),
        options,
        of: { ...Id, description: "The option whose full price is charged" },
      },
      closed,
    ),
  ],
  "Reward",
);
export type Reward = Static<typeof Reward>;

/** A reward for one market and currency; undefined amounts make the step unavailable there. */
export type CompiledReward =
  | { readonly kind: "free" }
  | { readonly kind: "flat-price"; readonly price: number }
  | { readonly kind: "percent-off"; readonly left: Rational }
  | { readonly kind: "money-off"; readonly amount: number }
  | { readonly kind: "option-price"; readonly of: string };

export function compileReward(reward: Reward, context: AmountContext): CompiledReward | undefined {
  switch (reward.kind) {
    case "free":
      return { kind: "free" };
    case "percent-off": {
      const off = percent(reward.percent);
      return off && { kind: "percent-off", left: subtract(ONE, off) };
    }
    case "option-price":
      return { kind: "option-price", of: reward.of };
    case "flat-price": {
      const price = amountFor(reward.amount, context);
      return price === undefined ? undefined : { kind: "flat-price", price };
    }
    case "money-off": {
      const amount = amountFor(reward.amount, context);
      return amount === undefined ? undefined : { kind: "money-off", amount };
    }
  }
}

export function rewardProblems(reward: Reward, path: string, references: AmountReferences): Problem[] {
  switch (reward.kind) {
    case "free":
    case "option-price":
      return [];
    case "percent-off":
      return Number(reward.percent) > 100 ? [{ path: `${path}/percent`, message: "no more than 100 percent" }] : [];
    case "flat-price":
    case "money-off":
      return amountProblems(reward.amount, `${path}/amount`, references);
  }
}

/**
 * The price after all rewards a shopper has earned on one option: other options' and flat prices first, percents multiplied, then money
 * off. Never above the start, never below zero; rounded once, at the end.
 *
 * @param fullPriceOf another option's price before offers; undefined when it cannot be had
 * @example rewarded(950, [{ kind: "money-off", amount: 100 }, { kind: "flat-price", price: 490 }], () => undefined) // 390
 */
export function rewarded(
  price: number,
  rewards: readonly CompiledReward[],
  fullPriceOf: (option: string) => number | undefined,
): number {
  let start = price;
  let left: Rational | undefined;
  let off = 0;
  for (const reward of rewards) {
    switch (reward.kind) {
      case "free":
        return 0;
      case "flat-price":
        start = Math.min(start, reward.price);
        break;
      case "option-price":
        start = Math.min(start, fullPriceOf(reward.of) ?? start);
        break;
      case "percent-off":
        left = left ? multiply(left, reward.left) : reward.left;
        break;
      case "money-off":
        off += reward.amount;
        break;
    }
  }
  const shortened = left ? multiply(whole(start), left) : whole(start);
  return Math.max(0, Number(roundHalfAway(shortened)) - off);
}
