import type { Location } from "./location.ts";
import { marketsOf, type Territory } from "./markets-of.ts";
import { type PlaceIndex, resolvePlace } from "./resolve.ts";

/** The markets that serve where a location is, by their ids. */
export function marketsAround(
  plan: Territory,
  places: PlaceIndex,
  location: Location | undefined,
): ReadonlySet<string> {
  if (!location) return new Set();
  const { country, postcode } = location;
  const { zones } = resolvePlace(places, { country, ...(postcode === undefined ? {} : { postcode }) });
  return new Set(marketsOf(plan, zones).map(({ id }) => id));
}
