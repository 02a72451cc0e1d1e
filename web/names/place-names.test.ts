import { iso31661 } from "iso-3166/1.js";
import { describe, expect, it } from "vitest";
import { COUNTRY_CODES } from "./country-codes.ts";
import { countries, countryChoices, placeNamer } from "./place-names.ts";

describe("countries", () => {
  // Source: ISO 3166-1 as the package iso-3166 4.4 carries it.
  it("are those that ISO 3166-1 has assigned, each once and with a name", () => {
    const assigned = iso31661.filter(({ state }) => state === "assigned").map(({ alpha2 }) => alpha2);
    expect([...COUNTRY_CODES].sort()).toEqual([...assigned].sort());
    expect(countries().filter(({ code, name }) => name === code || name === "")).toEqual([]);
    expect(new Set(countries().map(({ name }) => name)).size).toBe(assigned.length);
    expect(countryChoices().PT).toBe("Portugal");
    const nameOf = placeNamer(new Map([["PT-30", "Madeira"]]));
    expect(["PT-30", "PT-20", "JP"].map(nameOf)).toEqual(["Madeira", "PT-20", "Japan"]);
  });
});
