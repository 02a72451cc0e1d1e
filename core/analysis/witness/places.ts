import { askedOf } from "../../facts/asked.ts";
import type { OneName } from "../../facts/fact.ts";
import { type Intervals, samples } from "../../facts/intervals.ts";
import { destinationCountry } from "../../facts/place/country.ts";
import { destinationPostcode } from "../../facts/place/postcode.ts";
import { destinationRegion } from "../../facts/place/region.ts";
import { placeOf } from "../../places/place.ts";
import { possiblePlaces } from "../../places/possible-places.ts";
import { postcodePattern } from "../../postcodes/postcode.ts";
import { placeAway } from "../../quantities/distance.ts";
import type { Destination } from "../../request/request.ts";
import type { CompiledPlan } from "../../tariff/compile.ts";
import type { Constraints } from "../constraints.ts";
import type { ZoneContext } from "../world.ts";

/** Most addresses of a zone that are tried. */
const MOST_PLACES = 4;

/** Addresses of a zone that are as asked, with positions where distances are asked about. */
export function placesFor(compiled: CompiledPlan, { addresses }: ZoneContext, constraints: Constraints): Destination[] {
  const fits = placeTest(compiled, constraints);
  const found = addresses.filter(fits).slice(0, MOST_PLACES);
  const [first] = constraints.away;
  return first ? found.flatMap((destination) => withPosition(compiled, destination, first)) : found;
}

function placeTest(compiled: CompiledPlan, constraints: Constraints): (destination: Destination) => boolean {
  const patterns = askedOf(constraints, destinationPostcode).postcodes.map((asked) => ({
    ...asked,
    compiled: asked.patterns.flatMap((text) => postcodePattern(asked.country, text) ?? []),
  }));
  const country = askedOf(constraints, destinationCountry).name;
  const region = askedOf(constraints, destinationRegion).name;
  return (destination) => {
    const [place, ...others] = possiblePlaces(placeOf(destination), compiled.named);
    if (!place) return false;
    const settled = others.length === 0 && place.regionKnown;
    return (
      named(country, place.countries) &&
      (!region || (settled && named(region, place.regions))) &&
      patterns.every(({ country: of, compiled: read, holds }) => {
        const there =
          place.countries.includes(of) &&
          read.some((pattern) => place.postcode !== null && pattern.matches(place.postcode));
        return there === holds;
      })
    );
  };
}

const named = (asked: OneName | undefined, names: readonly string[]) =>
  !asked ||
  ((asked.in === null || names.some((name) => asked.in?.includes(name))) &&
    !names.some((name) => asked.not.includes(name)));

/** Nothing on Earth is much farther away than a quarter of its round. */
const FARTHEST = 9_000_000;

/** Positions away from the first location that is asked about; the engine says whether they fit the others. */
function withPosition(
  compiled: CompiledPlan,
  destination: Destination,
  [location, within]: readonly [string, Intervals],
): Destination[] {
  const from = compiled.locations.get(location)?.at;
  if (!from) return [];
  return samples(within, 0, FARTHEST).map((metres) => ({ ...destination, position: placeAway(from, metres) }));
}
