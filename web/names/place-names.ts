import type { Region } from "../../server/places/regions.ts";
import { COUNTRY_CODES } from "./country-codes.ts";

const countryNames = new Intl.DisplayNames(["en"], { type: "region" });

/** Every country of ISO 3166-1 by name. */
export const COUNTRIES: readonly Region[] = COUNTRY_CODES.map((code) => ({
  code,
  name: countryNames.of(code) ?? code,
})).sort((a, b) => a.name.localeCompare(b.name, "en"));

/** The same by code. */
export const COUNTRY_NAMES: Readonly<Record<string, string>> = Object.fromEntries(
  COUNTRIES.map(({ code, name }) => [code, name]),
);

/** What a country or region is called. */
export const placeNamer =
  (regions: ReadonlyMap<string, string>) =>
  (code: string): string =>
    code.includes("-") ? (regions.get(code) ?? code) : (countryNames.of(code) ?? code);
