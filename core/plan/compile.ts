import type { Calendars, Location } from "../places/location.ts";
import { indexPlaces, type PlaceIndex, resolvePlace } from "../places/resolve.ts";
import type { Coordinates } from "../quote/request.ts";
import { compileTariff, type Tariff } from "../quote/tariff.ts";
import { type Plan, ratesOf, savedOf } from "./plan.ts";
import type { Problem } from "./problem.ts";
import { planProblems } from "./problems.ts";

/** A plan made ready to answer: places indexed, one tariff per zone and currency. */
export type CompiledPlan = {
  readonly plan: Plan;
  readonly places: PlaceIndex;
  /** Where the plan's locations are. */
  readonly positions: ReadonlyMap<string, Coordinates>;
  /** By zone id, then currency. */
  readonly tariffs: ReadonlyMap<string, ReadonlyMap<string, Tariff>>;
};

/**
 * Checks a plan of the right shape and compiles it. Pure: the same plan gives the same answers for good.
 *
 * @param calendars public holidays by the calendars that the plan's locations keep
 * @example const result = compile(plan); if ("compiled" in result) quote(result.compiled, request);
 */
export function compile(plan: Plan, calendars: Calendars = {}): { compiled: CompiledPlan } | { problems: Problem[] } {
  const problems = planProblems(plan);
  if (problems.length > 0) return { problems };
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
  const tariffs = new Map(
    plan.zones.map((zone) => {
      const market = markets.get(zone.market);
      const byCurrency = (market?.currencies ?? []).flatMap((currency): [string, Tariff][] =>
        market ? [[currency, compileTariff(whole, market, zone, currency)]] : [],
      );
      return [zone.id, new Map(byCurrency)];
    }),
  );
  const positions = new Map([...locations.values()].map(({ id, at }) => [id, at]));
  return { compiled: { plan, places, positions, tariffs } };
}

/** The markets that serve where a location is. */
function marketsAround(plan: Plan, places: PlaceIndex, location: Location | undefined): ReadonlySet<string> {
  if (!location) return new Set();
  const { country, postcode } = location;
  const { zones } = resolvePlace(places, { country, ...(postcode === undefined ? {} : { postcode }) });
  return new Set(plan.zones.filter(({ id }) => zones.includes(id)).map(({ market }) => market));
}
