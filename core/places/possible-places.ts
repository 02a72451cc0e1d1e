import type { ZoneDestination } from "./destination.ts";
import { type Place, withAround } from "./place.ts";
import { REGION_TABLES } from "./region-tables.ts";
import { parentOf, regionsOf, territoryOf } from "./territory.ts";

/**
 * The regions that a plan tells apart, by country, each with the lists that name it: regions of the same lists are alike to
 * whoever asks.
 */
export type NamedRegions = ReadonlyMap<string, ReadonlyMap<string, readonly number[]>>;

/** @param lists each what one claim, exception or condition names: regions, and countries that are regions of others */
export function namedRegions(lists: readonly (readonly string[])[]): NamedRegions {
  const named = new Map<string, Map<string, number[]>>();
  lists.forEach((codes, list) => {
    for (const region of codes.flatMap((code) => (code.includes("-") ? [code] : regionsOf(code)))) {
      const country = region.slice(0, 2);
      const inCountry = named.get(country) ?? new Map<string, number[]>();
      named.set(country, inCountry);
      inCountry.set(region, [...(inCountry.get(region) ?? []), list]);
    }
  });
  return named;
}

/** What one destination of a zone names. */
export function regionsNamedBy(destination: ZoneDestination): readonly string[] {
  if ("region" in destination) return [destination.region];
  if ("restOfWorld" in destination) return destination.exceptCountries ?? [];
  return [...(destination.exceptRegions ?? []), ...(parentOf(destination.country) ? [destination.country] : [])];
}

/**
 * The places that an address may be, each with its region settled: one where the postcode decides everything that anyone asks
 * about regions, or where the postcode is not known and nothing is decided yet. A region that was told is kept, also against
 * the postcode.
 *
 * @example possiblePlaces(placeOf({ country: "CA", postcode: "X1A 2P5" }), named) // one, in CA-NT, if a plan names that
 */
export function possiblePlaces(place: Place, named: NamedRegions): readonly Place[] {
  const { postcode, countries } = place;
  const home = countries.at(-1);
  if (postcode === null || home === undefined) return [place];
  const inCountry = named.get(home) ?? new Map<string, readonly number[]>();
  const begins = beginningsOf(home, postcode);
  if (place.regionKnown) return [withTold(place, home, begins)];
  if (inCountry.size === 0) return [{ ...place, regionKnown: true }];
  const alike = new Map<string, Place>();
  for (const regions of begins ? atBeginning(home, begins, inCountry) : anywhere(home, inCountry)) {
    const lists = [...new Set(regions.flatMap((region) => inCountry.get(region) ?? []))].sort((a, b) => a - b);
    const key = lists.join(" ");
    if (!alike.has(key)) alike.set(key, inRegions(place, home, regions));
  }
  return [...alike.values()];
}

/**
 * Beginnings of a country's postcodes that leave open what a plan asks about its regions; "" for all that the tables say nothing
 * about.
 */
export function undecidedBeginnings(country: string, named: NamedRegions): string[] {
  const table = REGION_TABLES[country];
  const telling = [...(beginnings(country)?.regions.keys() ?? [])];
  const asked = table && table.otherwise === "unused" ? telling : [...telling, ""];
  return asked.filter((begin) => {
    const place: Place = { countries: [country], regions: [], regionKnown: false, postcode: begin };
    return possiblePlaces(place, named).length > 1;
  });
}

function inRegions(place: Place, home: string, regions: readonly string[]): Place {
  const territory = regions.map(territoryOf).find((code) => code !== undefined);
  return {
    ...place,
    countries: territory === undefined ? place.countries : [territory, home],
    regions,
    regionKnown: true,
  };
}

/** The told region, with what the postcode adds where both agree. */
function withTold(place: Place, home: string, begins: readonly string[] | undefined): Place {
  const isListed = listedIn(home);
  const listed = place.regions.some(isListed);
  if (!begins) {
    const elsewhere = REGION_TABLES[home]?.otherwise === "not-in-these" && listed;
    return elsewhere ? { ...place, note: "region-contradicts-postcode" } : place;
  }
  if (LEVELS.has(home) && !listed) return place;
  const agreeing = begins
    .filter((code) => code !== NO_REGION)
    .map(withAround)
    .filter((regions) => regions.some((one) => place.regions.includes(one)));
  if (agreeing.length === 0) return { ...place, note: "region-contradicts-postcode" };
  const [only] = agreeing.length === 1 ? agreeing : [];
  return only ? { ...place, regions: [...new Set([...only, ...place.regions])] } : place;
}

/** Where codes of this beginning lie, each as the regions of all levels; narrower ones that are named may be there too. */
function atBeginning(home: string, begins: readonly string[], inCountry: ReadonlyMap<string, unknown>): string[][] {
  const isListed = listedIn(home);
  return begins.flatMap((code) => {
    const regions = code === NO_REGION ? [] : withAround(code);
    const inside = [...inCountry.keys()].filter(
      (one) => !regions.includes(one) && (withAround(one).includes(code) || (LEVELS.has(home) && !isListed(one))),
    );
    return [regions, ...inside.map((one) => [...new Set([...withAround(one), ...regions])])];
  });
}

/** Where nothing but the country is known: in any region that is named (of those that may be), or in none of them. */
function anywhere(home: string, inCountry: ReadonlyMap<string, unknown>): string[][] {
  const isListed = REGION_TABLES[home]?.otherwise === "not-in-these" ? listedIn(home) : () => false;
  return [[], ...[...inCountry.keys()].filter((code) => !isListed(code)).map(withAround)];
}

/** Countries with regions on levels that the tables do not tell: such a region may be anywhere. */
const LEVELS: ReadonlySet<string> = new Set(["GB"]);

/** Whether a table says where a region's codes are, or those of a region that it lies in or holds. */
function listedIn(home: string): (region: string) => boolean {
  const listed = beginnings(home)?.listed;
  return (region) => listed !== undefined && withAround(region).some((code) => listed.has(code));
}

const NO_REGION = "none";

type Beginnings = {
  readonly longest: number;
  readonly regions: ReadonlyMap<string, readonly string[]>;
  /** The regions whose codes are told, with those around them. */
  readonly listed: ReadonlySet<string>;
};
const known = new Map<string, Beginnings>();

/** Every beginning of a country's codes with its regions, made when first asked for. */
function beginnings(country: string): Beginnings | undefined {
  const before = known.get(country);
  const table = REGION_TABLES[country];
  if (before || !table) return before;
  const regions = new Map<string, string[]>();
  for (const [region, texts] of Object.entries(table.regions))
    for (const text of texts.split(" "))
      for (const begin of eachOf(text)) regions.set(begin, [...(regions.get(begin) ?? []), region]);
  const longest = Math.max(...[...regions.keys()].map(({ length }) => length));
  const made = { longest, regions, listed: new Set(Object.keys(table.regions).flatMap(withAround)) };
  known.set(country, made);
  return made;
}

/** @example eachOf("X0A..X0C") // ["X0A", "X0B", "X0C"] */
function eachOf(text: string): string[] {
  const [from = "", to] = text.split("..");
  if (to === undefined) return [from];
  if (/^\d+$/.test(from))
    return Array.from({ length: Number(to) - Number(from) + 1 }, (_, i) =>
      String(Number(from) + i).padStart(from.length, "0"),
    );
  const [first, last] = [from, to].map((end) => end.charCodeAt(end.length - 1));
  return Array.from(
    { length: (last ?? 0) - (first ?? 0) + 1 },
    (_, i) => from.slice(0, -1) + String.fromCharCode((first ?? 0) + i),
  );
}

/** The regions in which codes that begin so lie; undefined where the tables do not say. Told by the code's first part. */
function beginningsOf(country: string, postcode: string): readonly string[] | undefined {
  const table = beginnings(country);
  if (!table) return undefined;
  const [first = ""] = postcode.split(/[ -]/);
  for (let length = Math.min(first.length, table.longest); length > 0; length -= 1) {
    const found = table.regions.get(first.slice(0, length));
    if (found) return found;
  }
  return undefined;
}
