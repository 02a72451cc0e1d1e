import { type PostcodePattern, postcodePattern } from "../postcodes/postcode.ts";
import type { Destination } from "../request/request.ts";
import { byPosition } from "../schema/atoms.ts";
import type { ZoneDestination } from "./destination.ts";
import { claimsPlaces, type Zone } from "./market.ts";
import { type Place, placeOf } from "./place.ts";
import { type NamedRegions, namedRegions, possiblePlaces, regionsNamedBy } from "./possible-places.ts";
import { territoriesUnder } from "./territory.ts";

/** What made a zone the one that serves a place. */
export type ServedBy = "postcode" | "region" | "country" | "rest-of-world";

/** One zone's hold on a place. Exceptions let the next wider claim have it. */
type PlaceClaim = {
  readonly zone: string;
  readonly by: ServedBy;
  readonly exceptRegions: ReadonlySet<string>;
  readonly exceptPostcodes: readonly PostcodePattern[];
};

type PostcodeClaim = PlaceClaim & { readonly pattern: PostcodePattern };

/** Zones by what they claim, made once. Lists are in the order in which they win. */
export type PlaceIndex = {
  /** By country, then by leading characters. */
  readonly postcodes: ReadonlyMap<string, ReadonlyMap<string, readonly PostcodeClaim[]>>;
  readonly regions: ReadonlyMap<string, readonly PlaceClaim[]>;
  readonly countries: ReadonlyMap<string, readonly PlaceClaim[]>;
  readonly world: readonly PlaceClaim[];
  /** Every zone that claims places, in order. */
  readonly zones: readonly string[];
  /** Those of them that are switched off: their places are nobody's. */
  readonly stopped: ReadonlySet<string>;
  /** The regions that zones claim or except. */
  readonly named: NamedRegions;
};

/** The one zone that serves a place, or those still possible while it is partly known. */
export type Resolution = {
  /** In the plan's order; one when the place is known well enough; empty when nobody serves it. */
  readonly zones: readonly string[];
  /** Whether an address that completes this place may be one that nobody serves. */
  readonly orNowhere: boolean;
  /** What decided, when one zone serves it. */
  readonly by: ServedBy | null;
  /** Zones that would serve it, were they not switched off. */
  readonly stopped: readonly string[];
};

/** The same while zones that are switched off count for serving what they claim. */
type Claimed = Omit<Resolution, "stopped">;

// Most edits of a plan leave its zones as they are, and a large one has hundreds.
let last: { readonly zones: readonly Zone[]; readonly index: PlaceIndex } | null = null;

/** Zones by what they claim. */
export function indexPlaces(zones: readonly Zone[]): PlaceIndex {
  if (last && last.zones.length === zones.length && last.zones.every((zone, i) => zone === zones[i])) return last.index;
  const index = newIndex(zones);
  last = { zones, index };
  return index;
}

function newIndex(zones: readonly Zone[]): PlaceIndex {
  const postcodes = new Map<string, Map<string, PostcodeClaim[]>>();
  const regions = new Map<string, PlaceClaim[]>();
  const countries = new Map<string, PlaceClaim[]>();
  const world: PlaceClaim[] = [];
  const claiming = zones.filter(claimsPlaces).sort(byPosition);
  for (const zone of claiming) {
    for (const destination of zone.destinations) {
      const claim = claimOf(zone.id, destination);
      if ("restOfWorld" in destination) world.push({ ...claim, exceptRegions: new Set(destination.exceptCountries) });
      else if ("region" in destination) push(regions, destination.region, claim);
      else if (!destination.postcodes) push(countries, destination.country, claim);
      else pushPostcodes(postcodes, destination.country, destination.postcodes, claim);
    }
  }
  for (const byLead of postcodes.values()) {
    // Zones came in order, and sorting is stable: ties keep their positions.
    for (const claims of byLead.values()) {
      claims.sort((a, b) => Number(b.pattern.exact) - Number(a.pattern.exact) || narrower(a, b));
    }
  }
  const stopped = new Set(claiming.filter(({ on }) => on === false).map(({ id }) => id));
  const named = namedRegions(claiming.flatMap(({ destinations }) => destinations.map(regionsNamedBy)));
  return { postcodes, regions, countries, world, zones: claiming.map(({ id }) => id), stopped, named };
}

/** A claim on postcodes, by the beginning that all of a pattern's codes have. */
function pushPostcodes(
  postcodes: Map<string, Map<string, PostcodeClaim[]>>,
  country: string,
  patterns: readonly string[],
  claim: PlaceClaim,
): void {
  const byLead = postcodes.get(country) ?? new Map<string, PostcodeClaim[]>();
  postcodes.set(country, byLead);
  for (const text of patterns) {
    const pattern = postcodePattern(country, text);
    if (pattern) push(byLead, withoutSeparator(pattern.lead), { ...claim, pattern });
  }
}

const narrower = (a: PostcodeClaim, b: PostcodeClaim) =>
  a.pattern.width === b.pattern.width ? 0 : a.pattern.width - b.pattern.width;

const withoutSeparator = (text: string) => text.replaceAll(/[ -]/g, "");

function push<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
}

function claimOf(zone: string, destination: ZoneDestination): PlaceClaim {
  if ("restOfWorld" in destination) return { zone, by: "rest-of-world", exceptRegions: new Set(), exceptPostcodes: [] };
  const country = "country" in destination ? destination.country : destination.region.slice(0, 2);
  return {
    zone,
    by: "region" in destination ? "region" : destination.postcodes ? "postcode" : "country",
    exceptRegions: new Set("country" in destination ? destination.exceptRegions : []),
    exceptPostcodes: (destination.exceptPostcodes ?? []).flatMap((text) => postcodePattern(country, text) ?? []),
  };
}

/**
 * The zone that serves a destination: postcode over region over country over rest of world; among postcodes the exact
 * one, then more fixed leading characters, then the narrower range; ties by position. A postcode stands for every region
 * it may lie in. Where that or anything else is left open, every zone is named that the address could still lead to.
 *
 * @example resolvePlace(index, { country: "PT", postcode: "9000-123" }) // { zones: ["islands"], by: "postcode", … }
 */
export function resolvePlace(index: PlaceIndex, destination: Destination): Resolution {
  const found = possiblePlaces(placeOf(destination), index.named).map((place) => resolve(index, place));
  const [first] = found;
  if (first && found.length === 1) return first;
  const possible = new Set(found.flatMap(({ zones }) => zones));
  const orNowhere = found.some((one) => one.orNowhere);
  const [by = null] = possible.size === 1 && !orNowhere ? found.map((one) => one.by) : [];
  const stopped = new Set(found.flatMap((one) => one.stopped));
  return {
    zones: index.zones.filter((zone) => possible.has(zone)),
    orNowhere,
    by,
    stopped: index.zones.filter((zone) => stopped.has(zone)),
  };
}

/** {@link resolvePlace} for one place whose region is settled. */
export function resolve(index: PlaceIndex, place: Place): Resolution {
  const { zones, orNowhere, by } = claimedBy(index, place);
  const stopped = zones.filter((zone) => index.stopped.has(zone));
  if (stopped.length === 0) return { zones, orNowhere, by, stopped };
  return { zones: zones.filter((zone) => !index.stopped.has(zone)), orNowhere: true, by: null, stopped };
}

function claimedBy(index: PlaceIndex, place: Place): Claimed {
  if (place.countries.length === 0) return { zones: index.zones, orNowhere: !worldIsServed(index), by: null };
  if (place.postcode === null) return stillPossible(index, place);
  const claim = strongestClaim(index, place, place.postcode);
  return claim ? { zones: [claim.zone], orNowhere: false, by: claim.by } : { zones: [], orNowhere: true, by: null };
}

/** The claim that wins a complete address: the narrowest that does not except it. */
function strongestClaim(index: PlaceIndex, place: Place, postcode: string): PlaceClaim | undefined {
  const bare = withoutSeparator(postcode);
  for (let length = bare.length; length >= 0; length -= 1) {
    const lead = bare.slice(0, length);
    for (const country of place.countries) {
      for (const claim of index.postcodes.get(country)?.get(lead) ?? [])
        if (claim.pattern.matches(postcode) && !excepted(claim, place)) return claim;
    }
  }
  for (const claim of widerClaims(index, place)) if (!excepted(claim, place)) return claim;
  return undefined;
}

const worldIsServed = ({ world }: PlaceIndex) => world.some((claim) => claim.exceptRegions.size === 0);

/** Every claim on a place that goes by no postcode, narrowest first. */
function* widerClaims(index: PlaceIndex, place: Place): Generator<PlaceClaim> {
  for (const region of place.regions) yield* index.regions.get(region) ?? [];
  for (const country of place.countries) yield* index.countries.get(country) ?? [];
  yield* index.world;
}

function excepted({ by, exceptRegions, exceptPostcodes }: PlaceClaim, place: Place): boolean {
  const names = by === "rest-of-world" ? place.countries : place.regions;
  if (names.some((name) => exceptRegions.has(name))) return true;
  const { postcode } = place;
  return postcode !== null && exceptPostcodes.some((pattern) => pattern.matches(postcode));
}

/** The zones found so far, by what they serve. */
type Possible = Map<string, ServedBy>;

function add(possible: Possible, claims: Iterable<PlaceClaim>): void {
  for (const { zone, by } of claims) if (!possible.has(zone)) possible.set(zone, by);
}

/** Zones that some full address within a place without a postcode leads to. */
function stillPossible(index: PlaceIndex, place: Place): Claimed {
  const possible: Possible = new Map();
  addNarrower(index, place, possible);
  const { settled, exceptedNowhere } = addWider(index, place, possible);
  const zones = index.zones.filter((zone) => possible.has(zone));
  const [only] = zones;
  const orNowhere = !settled || exceptedNowhere;
  const one = zones.length === 1 && !orNowhere && only !== undefined;
  return { zones, orNowhere, by: one ? (possible.get(only) ?? null) : null };
}

/** What a postcode, or a region that is not known either, could still lead to. */
function addNarrower(index: PlaceIndex, place: Place, possible: Possible): void {
  for (const country of place.countries) {
    for (const claims of index.postcodes.get(country)?.values() ?? []) add(possible, claims);
  }
  if (place.regionKnown) return;
  for (const country of place.countries) {
    for (const [region, claims] of index.regions) if (region.startsWith(`${country}-`)) add(possible, claims);
    for (const territory of territoriesUnder(country)) add(possible, index.countries.get(territory) ?? []);
  }
}

/** What goes by no postcode, narrowest first, until one leaves no address over. */
function addWider(index: PlaceIndex, place: Place, possible: Possible): { settled: boolean; exceptedNowhere: boolean } {
  let settled = false;
  let exceptedNowhere = false;
  for (const claim of widerClaims(index, place)) {
    if (excepted(claim, place)) continue;
    add(possible, [claim]);
    if (!place.regionKnown && claim.by === "country")
      exceptedNowhere = addExcepted(index, claim, possible) || exceptedNowhere;
    settled = claim.exceptPostcodes.length === 0;
    if (settled) break;
  }
  return { settled, exceptedNowhere };
}

/** Each excepted region goes wherever it goes by itself. @returns whether one of them may go nowhere */
function addExcepted(index: PlaceIndex, { exceptRegions }: PlaceClaim, possible: Possible): boolean {
  let nowhere = false;
  for (const region of exceptRegions) {
    const within = resolvePlace(index, { region });
    for (const zone of [...within.zones, ...within.stopped]) if (!possible.has(zone)) possible.set(zone, "region");
    // What is switched off is told by the zone's own name, above.
    nowhere ||= within.orNowhere && within.stopped.length === 0;
  }
  return nowhere;
}
