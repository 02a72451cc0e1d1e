import { keptBy } from "../phrases/kept.ts";
import type { Market, Zone } from "./market.ts";

/** A plan's territory, all of it never changing. */
export type Territory = { readonly markets: readonly Market[]; readonly zones: readonly Zone[] };

/** Asked for every option and offer of a plan, so the way from zones to markets is worked out once. */
const marketByZone = keptBy(
  (zones: readonly Zone[]): ReadonlyMap<string, string> => new Map(zones.map(({ id, market }) => [id, market])),
);

/**
 * The markets that some zones belong to, in the plan's order.
 *
 * @example marketsOf(plan, ["madeira"]).flatMap(({ currencies }) => currencies) // ["EUR"]
 */
export function marketsOf({ markets, zones }: Territory, ids: readonly string[]): Market[] {
  const byZone = marketByZone(zones);
  const wanted = new Set(ids.map((id) => byZone.get(id)));
  return markets.filter(({ id }) => wanted.has(id));
}
