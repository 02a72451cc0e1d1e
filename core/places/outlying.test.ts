import { iso31662 } from "iso-3166/2.js";
import { describe, expect, it } from "vitest";
import { isOutlying } from "./outlying.ts";

describe("outlying regions", () => {
  // The codes are held against ISO 3166-2 as the package iso-3166 carries it.
  it("are regions that exist, by country", () => {
    const found = iso31662.filter(({ code }) => isOutlying(code));
    const named = (country: string) =>
      found.filter(({ code }) => code.startsWith(`${country}-`)).map(({ name }) => name);
    expect(named("PT")).toEqual(
      expect.arrayContaining([expect.stringMatching(/Açores/), expect.stringMatching(/Madeira/)]),
    );
    expect(named("ES")).toHaveLength(4);
    expect(named("US")).toEqual(expect.arrayContaining(["Alaska", "Hawaii", "Puerto Rico", "Guam"]));
    expect(named("FR")).toEqual(
      expect.arrayContaining([expect.stringMatching(/Corse/), expect.stringMatching(/Réunion/)]),
    );
    expect(named("IT")).toHaveLength(2);
    expect(named("DE")).toEqual([]);
  });
});
