import type { DeliveryOption } from "../delivery/option.ts";
import type { ZoneDestination } from "../places/destination.ts";
import { claimsPlaces, type Zone } from "../places/market.ts";
import { indexPlaces, type PlaceIndex, resolvePlace } from "../places/resolve.ts";
import { parentOf } from "../places/territory.ts";
import type { Plan } from "../plan/plan.ts";
import { byPosition } from "../schema/atoms.ts";

/** A country or carved-out region: the zones that may serve an address in it, and whether some address has none. */
export type CoverageRow = {
  readonly code: string;
  readonly zones: readonly string[];
  readonly orNowhere: boolean;
  /** Zones that would serve it, were they not switched off. */
  readonly stopped: readonly string[];
  /** Zones that claim the very same place: the first by position wins. */
  readonly claimedTwice: readonly string[];
};

/** A zone of postcodes or regions only, and the zone of the country around it. */
type ZoneWithin = { readonly zone: string; readonly around: string };

export type Coverage = {
  readonly rows: readonly CoverageRow[];
  /** Zones in which nothing can be delivered. */
  readonly emptyZones: readonly string[];
  /** Narrow zones without options that the zone around them has. */
  readonly lacking: readonly (ZoneWithin & { readonly options: readonly string[] })[];
};

/**
 * Who serves every country, and every region that some zone names.
 *
 * @param countries ISO 3166-1 codes to look at
 */
export function coverageOf(plan: Plan, countries: readonly string[]): Coverage {
  const options = optionsByZone(plan);
  const named = new Set(
    plan.zones.filter(claimsPlaces).flatMap(({ destinations }) => destinations.flatMap(regionsNamed)),
  );
  return {
    rows: coverageRows(plan, [...countries, ...[...named].sort()]),
    emptyZones: plan.zones.filter((zone) => isOn(zone) && !options.has(zone.id)).map(({ id }) => id),
    lacking: lackingIn(plan, options),
  };
}

/** Who serves countries or regions. @param codes ISO 3166-1, or 3166-2 */
export function coverageRows(plan: Plan, codes: readonly string[]): CoverageRow[] {
  const index = indexPlaces(plan.zones);
  // Which postcodes lie in a region nobody has said, so that zones of postcodes are told of whole countries only.
  const withoutPostcodes = indexPlaces(
    plan.zones.map((zone) => ({ ...zone, destinations: zone.destinations.filter(isWhole) })),
  );
  return codes.map((code): CoverageRow => {
    const isPart = code.includes("-") || parentOf(code) !== undefined;
    const place = code.includes("-") ? { region: code } : { country: code };
    const { zones, orNowhere, stopped } = resolvePlace(isPart ? withoutPostcodes : index, place);
    return { code, zones, orNowhere, stopped, claimedTwice: claimedTwice(index, code) };
  });
}

const isWhole = (destination: ZoneDestination) => !("country" in destination && destination.postcodes);
const isOn = (zone: Zone) => zone.on !== false;

function regionsNamed(destination: ZoneDestination): readonly string[] {
  if ("region" in destination) return [destination.region];
  return "country" in destination ? (destination.exceptRegions ?? []) : [];
}

function claimedTwice(index: PlaceIndex, code: string): string[] {
  const claims = (code.includes("-") ? index.regions : index.countries).get(code) ?? [];
  const zones = [...new Set(claims.map(({ zone }) => zone))];
  return zones.length > 1 ? zones : [];
}

type OptionsByZone = ReadonlyMap<string, readonly DeliveryOption[]>;

/** What is offered in each zone that has anything, in order. */
function optionsByZone(plan: Plan): OptionsByZone {
  const found = new Map<string, DeliveryOption[]>();
  for (const option of plan.options.filter(({ on }) => on !== false).sort(byPosition))
    for (const zone of option.zones) {
      const there = found.get(zone);
      if (there) there.push(option);
      else found.set(zone, [option]);
    }
  return found;
}

/** Each zone of postcodes or regions only, with the zones of the countries around it. */
export function zonesWithin(plan: Plan): ZoneWithin[] {
  const index = indexPlaces(plan.zones);
  return plan.zones.filter(isOn).flatMap((zone) => {
    const narrow = zone.destinations.every(
      (one) => "region" in one || ("country" in one && one.postcodes !== undefined),
    );
    if (!narrow) return [];
    const countries = new Set(zone.destinations.map(countryOf));
    const around = [...countries].flatMap((country) => index.countries.get(country ?? "")?.[0]?.zone ?? []);
    return [...new Set(around)].map((id) => ({ zone: zone.id, around: id }));
  });
}

function lackingIn(plan: Plan, offered: OptionsByZone): Coverage["lacking"] {
  return zonesWithin(plan).flatMap(({ zone, around }) => {
    // What shoppers see under the same name is the same to them, whatever it costs there.
    const own = new Set(offered.get(zone)?.map(nameOf));
    const missing = (offered.get(around) ?? []).filter((option) => isShipped(option) && !own.has(nameOf(option)));
    return missing.length > 0 ? [{ zone, around, options: missing.map((option) => option.id) }] : [];
  });
}

const nameOf = ({ name, id }: DeliveryOption) => name.en ?? Object.values(name)[0] ?? id;
/** Collection and the store's own round belong to where they are. */
const isShipped = ({ way }: DeliveryOption) => !way || way.kind === "shipped";

function countryOf(destination: ZoneDestination): string | undefined {
  if ("country" in destination) return destination.country;
  if (!("region" in destination)) return undefined;
  const code = destination.region.slice(0, 2);
  return parentOf(code) ?? code;
}
