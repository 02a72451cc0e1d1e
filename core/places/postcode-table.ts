import { phrase } from "../phrases/phrase.ts";
import { normalPostcode } from "../postcodes/postcode.ts";
import { Coordinates } from "../quantities/coordinates.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import type { Place } from "./place.ts";

/** As many as a country has within a day's drive; more would slow every edit down. */
export const MOST_POSTCODES = 20_000;

/** Where postcodes lie, each written the way its country does: whole codes, or the first parts of some. */
export const PostcodeTable = Type.Record(
  Type.String({ pattern: "^[A-Z0-9][A-Z0-9 -]{0,15}$" }),
  { ...Coordinates, description: "Latitude and longitude in degrees" },
  {
    additionalProperties: false,
    maxProperties: MOST_POSTCODES,
    description: "Where postcodes of its country lie: how far an address is that says no position",
  },
);
export type PostcodeTable = Static<typeof PostcodeTable>;

type WithTable = { readonly country: string; readonly postcodeTable?: PostcodeTable };

/**
 * Where a place lies by its postcode: the whole code, else the first part of it that the table has. Undefined where the table
 * does not say.
 *
 * @example positionOf({ country: "PT", postcodeTable: { "3000": [40.2, -8.42] } }, place) // of 3000-001: [40.2, -8.42]
 */
export function positionOf(
  { country, postcodeTable }: WithTable,
  { countries, postcode }: Pick<Place, "countries" | "postcode">,
): Coordinates | undefined {
  if (!postcodeTable || postcode === null || !countries.includes(country)) return undefined;
  const [first = postcode] = postcode.split(/[ -]/);
  const known = [postcode, first].find((code) => Object.hasOwn(postcodeTable, code));
  return known === undefined ? undefined : postcodeTable[known];
}

/** The first code that is not written as the country writes it: others of the same file are likely to be alike. */
export function postcodeTableProblems({ country, postcodeTable = {} }: WithTable, path: string): Problem[] {
  const other = Object.keys(postcodeTable).find((code) => normalPostcode(country, code) !== code);
  if (other === undefined) return [];
  const normal = normalPostcode(country, other);
  const how = normal === "" ? phrase("is no postcode") : phrase('is written "{normal}"', { normal });
  return [{ path: `${path}/${other}`, message: phrase('"{other}" {how} in {country}', { other, how, country }) }];
}
