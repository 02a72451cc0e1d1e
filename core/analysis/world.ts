import type { Condition } from "../conditions/condition.ts";
import { savedOf } from "../plan/plan.ts";
import { conditionsIn } from "../plan/visit-conditions.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { addressesOf } from "./addresses.ts";
import { placesNamed, type World, type ZoneContext } from "./satisfy.ts";

/** Every zone of a plan in every currency of its market, with addresses it serves. */
export function worldOf(compiled: CompiledPlan, at: number, about: readonly Condition[] = []): World {
  const { plan } = compiled;
  const saved = savedOf(plan);
  const addresses = addressesOf(
    compiled,
    [...about, ...conditionsIn(plan)].flatMap((condition) => placesNamed(condition, saved)),
  );
  const markets = new Map(plan.markets.map((market) => [market.id, market]));
  const contexts = plan.zones.flatMap((zone): ZoneContext[] => {
    const market = markets.get(zone.market);
    const there = addresses.get(zone.id) ?? [];
    if (!market || there.length === 0) return [];
    return market.currencies.map((currency) => ({ zone, market, currency, addresses: there }));
  });
  return { compiled, contexts: contexts, at };
}

/** The same, looked at from some zones only. */
export const within = (world: World, zones: readonly string[]): World => ({
  ...world,
  contexts: world.contexts.filter(({ zone }) => zones.includes(zone.id)),
});
