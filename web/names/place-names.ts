import type { Region } from "../../server/places/regions.ts";
import { byReader } from "../language/by-reader.ts";
import { countryName } from "../language/codes.ts";
import { theReader } from "../language/say.ts";
import { COUNTRY_CODES } from "./country-codes.ts";

/** Every country of ISO 3166-1 by name. */
export const countries = byReader((): readonly Region[] =>
  COUNTRY_CODES.map((code) => ({ code, name: countryName(code) })).sort((a, b) =>
    a.name.localeCompare(b.name, theReader().locale),
  ),
);

/** The same by code. */
export const countryChoices = byReader(
  (): Readonly<Record<string, string>> => Object.fromEntries(countries().map(({ code, name }) => [code, name])),
);

/** What a country or region is called. */
export const placeNamer =
  (regions: ReadonlyMap<string, string>) =>
  (code: string): string =>
    code.includes("-") ? (regions.get(code) ?? code) : countryName(code);
