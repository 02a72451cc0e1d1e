import { amountOf } from "../../../core/measures/measure-spec.ts";
import type { Amount } from "../../../core/money/amount.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { majorUnits } from "../../../core/money/decimal.ts";
import { goalOf, type Offer, type Step } from "../../../core/offers/offer.ts";

/** What has to be spent for a step; undefined when its goal is something else, or it has none. */
export function spendGoal(step: Step | undefined): Amount | undefined {
  const goal = step && goalOf(step.trigger);
  return goal ? amountOf(goal.at) : undefined;
}

/**
 * The offer with the goal of one step set for a currency: in the market's own amount where the market has one, else
 * in the amount all markets share.
 */
export function withGoal(offer: Offer, step: string, market: string, currency: string, minor: number): Offer {
  const typed = majorUnits(minor, exponentOf(currency) ?? 2);
  return {
    ...offer,
    steps: offer.steps.map((candidate) => {
      if (candidate.id !== step) return candidate;
      const { trigger } = candidate;
      const at = "goal" in trigger ? amountOf(trigger.goal.at) : undefined;
      if (!at || !("goal" in trigger)) return candidate;
      const own = at.byMarket?.[market];
      const next =
        own?.[currency] === undefined
          ? { ...at, byCurrency: { ...at.byCurrency, [currency]: typed } }
          : { ...at, byMarket: { ...at.byMarket, [market]: { ...own, [currency]: typed } } };
      return { ...candidate, trigger: { ...trigger, goal: { ...trigger.goal, at: next } } };
    }),
  };
}
