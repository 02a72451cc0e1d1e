import type { Amount } from "../../../core/money/amount.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { majorUnits } from "../../../core/money/decimal.ts";

/**
 * An amount set for a currency: in the market's own where the market has one, else in the one all markets share.
 *
 * @example withAmount({ byCurrency: { EUR: "4.90" } }, "portugal", "EUR", 550) // { byCurrency: { EUR: "5.50" } }
 */
export function withAmount(amount: Amount, market: string, currency: string, minor: number): Amount {
  const typed = majorUnits(minor, exponentOf(currency) ?? 2);
  const own = amount.byMarket?.[market];
  return own?.[currency] === undefined
    ? { ...amount, byCurrency: { ...amount.byCurrency, [currency]: typed } }
    : { ...amount, byMarket: { ...amount.byMarket, [market]: { ...own, [currency]: typed } } };
}
