import { iso31662 } from "iso-3166/2.js";

export type Region = { code: string; name: string };

const byCountry = new Map<string, Region[]>();
for (const { code, name } of iso31662) {
  const country = code.slice(0, 2);
  byCountry.set(country, [...(byCountry.get(country) ?? []), { code, name }]);
}

/** The regions of a country by ISO 3166-2, in the order of their names; none for a country without. */
export const regionsOf = (country: string): readonly Region[] =>
  [...(byCountry.get(country) ?? [])].sort((a, b) => a.name.localeCompare(b.name, "en"));
