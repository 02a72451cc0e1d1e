import { resolvePlace } from "../places/resolve.ts";
import { codesAround, codesOf } from "../postcodes/whole-codes.ts";
import type { Destination } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";

/** Full addresses worth looking from: every place that the plan names, with codes in and around each pattern. */
export function addressesOf(compiled: CompiledPlan, more: readonly Destination[] = []): Map<string, Destination[]> {
  const named: Destination[] = [...more];
  const countries = new Set<string>(["PT", "DE", "US", "JP"]);
  for (const { destinations } of compiled.plan.zones) {
    for (const destination of destinations) {
      if ("restOfWorld" in destination) continue;
      if ("region" in destination) {
        named.push({ region: destination.region });
        continue;
      }
      countries.add(destination.country);
      const patterns = [...(destination.postcodes ?? []), ...(destination.exceptPostcodes ?? [])];
      named.push(
        ...patterns.flatMap((pattern) =>
          codesAround(pattern).map((postcode) => ({ country: destination.country, postcode })),
        ),
      );
      named.push(...(destination.exceptRegions ?? []).map((region) => ({ region })));
    }
  }
  for (const country of countries) {
    named.push({ country });
    // Where postcodes leave the region open, it has to be told.
    const regions = compiled.named.get(country);
    if (regions) named.push(...[...regions.keys(), otherRegion(country)].map((region) => ({ country, region })));
  }
  const byZone = new Map<string, Destination[]>();
  const seen = new Set<string>();
  for (const destination of named.flatMap(completed)) {
    const key = JSON.stringify(destination);
    if (seen.has(key)) continue;
    seen.add(key);
    const { zones } = resolvePlace(compiled.places, destination);
    const [zone] = zones;
    if (zone === undefined || zones.length > 1) continue;
    byZone.set(zone, [...(byZone.get(zone) ?? []), destination]);
  }
  return byZone;
}

/** A place with whole codes, so that it is known to the end. */
function completed(destination: Destination): Destination[] {
  if (destination.postcode) return [destination];
  const country = destination.country ?? destination.region?.slice(0, 2) ?? "";
  return codesOf(country).map((postcode) => ({ ...destination, country, postcode }));
}

/** A code that no region has: stands for every region of a country that a plan does not name. */
const otherRegion = (country: string) => `${country}-ZZZ`;
