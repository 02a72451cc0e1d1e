import { iso31661 } from "iso-3166/1.js";
import type { Region } from "../state/use-regions.ts";

const countryNames = new Intl.DisplayNames(["en"], { type: "region" });

/** Every country of ISO 3166-1 by name. */
export const COUNTRIES: readonly Region[] = iso31661
  .filter(({ state }) => state === "assigned")
  .map(({ alpha2 }) => ({ code: alpha2, name: countryNames.of(alpha2) ?? alpha2 }))
  .sort((a, b) => a.name.localeCompare(b.name, "en"));

/** What a country or region is called. */
export function placeNamer(regions: ReadonlyMap<string, readonly Region[]>): (code: string) => string {
  return (code) =>
    code.includes("-")
      ? (regions.get(code.slice(0, 2))?.find((region) => region.code === code)?.name ?? code)
      : (countryNames.of(code) ?? code);
}
