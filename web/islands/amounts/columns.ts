import type { Market } from "../../../core/places/market.ts";
import { byPosition } from "../../../core/plan/atoms.ts";
import type { Plan } from "../../../core/plan/plan.ts";

/** A column of amounts: one currency of one market. */
export type Column = { readonly market: Market; readonly currency: string };

/** The markets, with each of their currencies, that some zones belong to. */
export function columnsOf(plan: Plan, zones: readonly string[]): Column[] {
  const ids = new Set(plan.zones.filter(({ id }) => zones.includes(id)).map(({ market }) => market));
  return plan.markets
    .filter(({ id }) => ids.has(id))
    .sort(byPosition)
    .flatMap((market) => market.currencies.map((currency) => ({ market, currency })));
}
