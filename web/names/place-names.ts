import { iso31661 } from "iso-3166/1.js";
import type { Region } from "../../server/places/regions.ts";

const countryNames = new Intl.DisplayNames(["en"], { type: "region" });

/** Every country of ISO 3166-1 by name. */
export const COUNTRIES: readonly Region[] = iso31661
  .filter(({ state }) => state === "assigned")
  .map(({ alpha2 }) => ({ code: alpha2, name: countryNames.of(alpha2) ?? alpha2 }))
  .sort((a, b) => a.name.localeCompare(b.name, "en"));

/** The same by code. */
export const COUNTRY_NAMES: Readonly<Record<string, string>> = Object.fromEntries(
  COUNTRIES.map(({ code, name }) => [code, name]),
);

/** What a country or region is called. */
export const placeNamer =
  (regions: ReadonlyMap<string, string>) =>
  (code: string): string =>
    code.includes("-") ? (regions.get(code) ?? code) : (countryNames.of(code) ?? code);
