import { exponentOf } from "../../../core/money/currency.ts";
import { majorUnits } from "../../../core/money/decimal.ts";
import type { Offer } from "../../../core/offers/offer.ts";

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
      const { at } = candidate.goal;
      const own = at.byMarket?.[market];
      const next =
        own?.[currency] === undefined
          ? { ...at, byCurrency: { ...at.byCurrency, [currency]: typed } }
          : { ...at, byMarket: { ...at.byMarket, [market]: { ...own, [currency]: typed } } };
      return { ...candidate, goal: { ...candidate.goal, at: next } };
    }),
  };
}
