import type { Market } from "../../../core/places/market.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";

/** A column of amounts: one currency of one market. */
export type Column = { readonly market: Market; readonly currency: string };

/** The markets, with each of their currencies, that some zones belong to. */
export function columnsOf(plan: Plan, zones: readonly string[]): Column[] {
  return marketsOf(plan, zones)
    .sort(byPosition)
    .flatMap((market) => market.currencies.map((currency) => ({ market, currency })));
}
