import { shapeOf } from "../conditions/condition.ts";
import { conditionKind } from "../conditions/registry.ts";
import { visitCondition } from "../conditions/visit.ts";
import type { Calendars, Location } from "../places/location.ts";
import { claimsPlaces } from "../places/market.ts";
import { marketsAround } from "../places/markets-around.ts";
import { type NamedRegions, namedRegions, regionsNamedBy } from "../places/possible-places.ts";
import { indexPlaces, type PlaceIndex } from "../places/resolve.ts";
import { type Plan, ratesOf, savedOf } from "../plan/plan.ts";
import { planProblems } from "../plan/problems/plan-problems.ts";
import { visitConditions } from "../plan/visit-conditions.ts";
import type { Problem } from "../schema/problem.ts";
import { compileTariff, type Tariff } from "./tariff.ts";

/** A plan made ready to answer: places indexed, one tariff per zone and currency, made when it is first asked for. */
export type CompiledPlan = {
  readonly plan: Plan;
  readonly places: PlaceIndex;
  /** The regions that zones and conditions tell apart. */
  readonly named: NamedRegions;
  readonly locations: ReadonlyMap<string, Location>;
  /** Undefined where the zone's market does not take the currency. */
  readonly tariffOf: (zone: string, currency: string) => Tariff | undefined;
  /** The currencies a zone's market takes. */
  readonly currenciesOf: (zone: string) => readonly string[];
};

/**
 * Checks a plan of the right shape and compiles it. Pure: the same plan gives the same answers for good.
 *
 * @param calendars public holidays by the calendars that the plan's locations keep
 * @example const result = compile(plan); if ("compiled" in result) quote(result.compiled, request);
 */
export function compile(plan: Plan, calendars: Calendars = {}): { compiled: CompiledPlan } | { problems: Problem[] } {
  const problems = planProblems(plan);
  return problems.length > 0 ? { problems } : { compiled: compileSound(plan, calendars) };
}

/** Compiles a plan that has been found without problems before, as one that another thread has compiled. */
export function compileSound(plan: Plan, calendars: Calendars = {}): CompiledPlan {
  const places = indexPlaces(plan.zones);
  const markets = new Map(plan.markets.map((market) => [market.id, market]));
  const locations = new Map((plan.locations ?? []).map((location) => [location.id, location]));
  const whole = {
    plan,
    rates: ratesOf(plan),
    saved: savedOf(plan),
    locations,
    calendars,
    collectedIn: (id: string) => marketsAround(plan, places, locations.get(id)),
  };
  const zones = new Map(plan.zones.map((zone) => [zone.id, zone]));
  const currenciesOf = (id: string) => markets.get(zones.get(id)?.market ?? "")?.currencies ?? [];
  const made = new Map<string, Map<string, Tariff>>();
  const tariffOf = (id: string, currency: string): Tariff | undefined => {
    const known = made.get(id)?.get(currency);
    if (known) return known;
    const zone = zones.get(id);
    const market = zone && markets.get(zone.market);
    if (!zone || !market?.currencies.includes(currency)) return undefined;
    const tariff = compileTariff(whole, market, zone, currency);
    made.set(id, (made.get(id) ?? new Map()).set(currency, tariff));
    return tariff;
  };
  const claimed = plan.zones.flatMap((zone) => (claimsPlaces(zone) ? zone.destinations.map(regionsNamedBy) : []));
  const named = namedRegions([...claimed, ...regionsAskedFor(plan)]);
  return { plan, places, named, locations, tariffOf, currenciesOf };
}

/** The regions, and countries that are regions of others, that conditions ask for, a list for each clause. */
const regionsAskedFor = (plan: Plan): (readonly string[])[] =>
  visitConditions(plan).flatMap(({ condition }) =>
    [...visitCondition(condition)].flatMap(({ condition: part }) => {
      const shape = shapeOf(part);
      const regions =
        shape.role === "plain" ? conditionKind(shape.condition).places(shape.condition).regions : undefined;
      return regions ? [regions] : [];
    }),
  );
