import { indexPlaces, type PlaceIndex } from "../places/resolve.ts";
import { compileTariff, type Tariff } from "../quote/tariff.ts";
import { type Plan, ratesOf, savedOf } from "./plan.ts";
import type { Problem } from "./problem.ts";
import { planProblems } from "./problems.ts";

/** A plan made ready to answer: places indexed, one tariff per zone and currency. */
export type CompiledPlan = {
  readonly plan: Plan;
  readonly places: PlaceIndex;
  /** By zone id, then currency. */
  readonly tariffs: ReadonlyMap<string, ReadonlyMap<string, Tariff>>;
};

/**
 * Checks a plan of the right shape and compiles it. Pure: the same plan gives the same answers for good.
 *
 * @example const result = compile(plan); if ("compiled" in result) quote(result.compiled, request);
 */
export function compile(plan: Plan): { compiled: CompiledPlan } | { problems: Problem[] } {
  const problems = planProblems(plan);
  if (problems.length > 0) return { problems };
  const rates = ratesOf(plan);
  const saved = savedOf(plan);
  const markets = new Map(plan.markets.map((market) => [market.id, market]));
  const tariffs = new Map(
    plan.zones.map((zone) => {
      const market = markets.get(zone.market);
      const byCurrency = (market?.currencies ?? []).flatMap((currency): [string, Tariff][] =>
        market ? [[currency, compileTariff(plan, rates, saved, market, zone, currency)]] : [],
      );
      return [zone.id, new Map(byCurrency)];
    }),
  );
  return { compiled: { plan, places: indexPlaces(plan.zones), tariffs } };
}
