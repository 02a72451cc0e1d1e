import type { Market, Zone } from "../../../core/places/market.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import type { AmountPlace } from "./with-amount.ts";

/** A column of amounts: one currency of one market, or of one zone of it that has amounts of its own. */
export type Column = { readonly market: Market; readonly currency: string; readonly zone?: Zone };

export const placeOf = ({ zone, market, currency }: Column): AmountPlace => ({
  zone: zone?.id ?? null,
  market: market.id,
  currency,
});

export const columnKey = ({ zone, market, currency }: Column) => `${market.id} ${zone?.id ?? ""} ${currency}`;

/** @example columnName({ market, currency: "EUR" }) // "Portugal, EUR" */
export const columnName = ({ zone, market, currency }: Column) => `${(zone ?? market).name}, ${currency}`;

/**
 * The markets, with each of their currencies, that some zones belong to; under each market those of its zones that stand apart.
 *
 * @example columnsOf(plan, offer.zones, new Set(["islands"]))
 */
export function columnsOf(plan: Plan, zones: readonly string[], apart: ReadonlySet<string> = new Set()): Column[] {
  const own = plan.zones.filter(({ id }) => apart.has(id) && zones.includes(id)).sort(byPosition);
  return marketsOf(plan, zones)
    .sort(byPosition)
    .flatMap((market) => [
      ...market.currencies.map((currency) => ({ market, currency })),
      ...own
        .filter((zone) => zone.market === market.id)
        .flatMap((zone) => market.currencies.map((currency) => ({ market, currency, zone }))),
    ]);
}
