import { byPosition } from "../plan/atoms.ts";
import type { Destination } from "../quote/request.ts";
import type { Zone } from "./market.ts";

/** Zones by what they claim, made once: the narrowest claim wins, and ties go by position. */
export type PlaceIndex = {
  readonly byRegion: ReadonlyMap<string, string>;
  readonly byCountry: ReadonlyMap<string, string>;
};

export function indexPlaces(zones: readonly Zone[]): PlaceIndex {
  const byRegion = new Map<string, string>();
  const byCountry = new Map<string, string>();
  for (const zone of [...zones].sort(byPosition)) {
    for (const destination of zone.destinations) {
      if ("region" in destination) claim(byRegion, destination.region, zone.id);
      else claim(byCountry, destination.country, zone.id);
    }
  }
  return { byRegion, byCountry };
}

function claim(map: Map<string, string>, place: string, zone: string): void {
  if (!map.has(place)) map.set(place, zone);
}

/**
 * The zone that serves a destination: by its region (ISO 3166-2), else by its country; null when none does.
 *
 * @example zoneOf(index, { country: "PT", region: "PT-30" }) // "madeira"
 */
export function zoneOf(index: PlaceIndex, { country, region }: Destination): string | null {
  const narrow = region === undefined ? undefined : index.byRegion.get(region);
  const home = country ?? region?.slice(0, 2);
  return narrow ?? (home === undefined ? undefined : index.byCountry.get(home)) ?? null;
}
