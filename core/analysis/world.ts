import type { Condition } from "../conditions/condition.ts";
import type { Market, Zone } from "../places/market.ts";
import { ratesOf, savedOf } from "../plan/plan.ts";
import { visitConditions } from "../plan/visit-conditions.ts";
import type { Destination } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { addressesOf } from "./addresses.ts";
import { placesNamed } from "./places-named.ts";

/** One zone and currency that an analysis looks from, with full addresses that the zone serves. */
export type ZoneContext = {
  readonly zone: Zone;
  readonly market: Market;
  readonly currency: string;
  readonly addresses: readonly Destination[];
};

/** What an analysis looks at: a plan, from where, around which moment. */
export type World = { readonly compiled: CompiledPlan; readonly contexts: readonly ZoneContext[]; readonly at: number };

/** Every zone of a plan in every currency of its market, with addresses it serves. */
export function worldOf(compiled: CompiledPlan, at: number, about: readonly Condition[] = []): World {
  const { plan } = compiled;
  const saved = savedOf(plan);
  const addresses = addressesOf(
    compiled,
    [...about, ...visitConditions(plan).map((one) => one.condition)].flatMap((condition) =>
      placesNamed(condition, saved),
    ),
  );
  const markets = new Map(plan.markets.map((market) => [market.id, market]));
  const contexts = plan.zones.flatMap((zone): ZoneContext[] => {
    const market = markets.get(zone.market);
    const there = addresses.get(zone.id) ?? [];
    if (!market || there.length === 0) return [];
    return market.currencies.map((currency) => ({ zone, market, currency, addresses: there }));
  });
  return { compiled, contexts, at };
}

/** What clauses are read with at one place: whose amounts, whose clocks. */
export const clauseContext = (
  { compiled: { plan } }: Pick<World, "compiled">,
  { zone, market, currency }: ZoneContext,
) => ({
  zone: zone.id,
  market: market.id,
  currency,
  rates: ratesOf(plan),
  timeZone: market.timeZone,
});

/** The same, looked at from some zones only. */
export const within = (world: World, zones: readonly string[]): World => ({
  ...world,
  contexts: world.contexts.filter(({ zone }) => zones.includes(zone.id)),
});
