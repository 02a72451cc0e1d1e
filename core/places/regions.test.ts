import { iso31662 } from "iso-3166";
import { describe, expect, it } from "vitest";
import zipcodes from "zipcodes";
import { placeOf } from "./place.ts";
import { namedRegions, possiblePlaces } from "./possible-places.ts";
import { REGION_TABLES, regionAround } from "./region-tables.ts";

/** The regions a postcode may lie in, where every region of the country is told apart; null: none that is named. */
function regionsOf(country: string, postcode: string): Set<string | null> {
  const all = iso31662.map(({ code }) => code).filter((code) => code.startsWith(`${country}-`));
  const named = namedRegions(all.map((code) => [code]));
  return new Set(possiblePlaces(placeOf({ country, postcode }), named).map(({ regions }) => regions[0] ?? null));
}

const PROVINCES: Readonly<Record<string, string>> = {
  Alberta: "AB",
  "British Columbia": "BC",
  Manitoba: "MB",
  "New Brunswick": "NB",
  "Newfoundland and Labrador": "NL",
  "Northwest Territory": "NT",
  "Nova Scotia": "NS",
  "Nunavut Territory": "NU",
  Ontario: "ON",
  "Prince Edward Island": "PE",
  Quebec: "QC",
  Saskatchewan: "SK",
  Yukon: "YT",
};

describe("the regions that postcodes lie in", () => {
  // Source: the package zipcodes 8.0.0, every one of its 42,555 ZIP codes and 1,610 Canadian first parts with a province.
  it("are those another package has for every code of the United States and Canada", () => {
    const states = new Set(Object.keys(REGION_TABLES.US?.regions ?? {}));
    const known = new Map<string, Set<string | null>>();
    let compared = 0;
    for (const [code, { state, country }] of Object.entries(zipcodes.codes)) {
      const region = country === "US" ? `US-${state}` : `CA-${PROVINCES[state] ?? "?"}`;
      if (region === "CA-?") continue;
      const key = /^96[79]/.test(code) || country !== "US" ? code : code.slice(0, 3);
      const found = known.get(key) ?? regionsOf(region.slice(0, 2), code);
      known.set(key, found);
      // Military post, and Pacific states of their own that share the postal system, lie in no region of ISO's.
      const wanted = country === "US" && !states.has(region) ? null : region;
      if (!found.has(wanted)) throw new Error(`${code}: ${[...found]} without ${wanted}`);
      if (country !== "US") expect([code, [...found]]).toEqual([code, [region]]);
      compared += 1;
    }
    expect(compared).toBeGreaterThan(44_000);
  });

  it("exist in ISO 3166-2, with the regions around them as it has them", () => {
    const parents = new Map(iso31662.map(({ code, parent }) => [code, parent]));
    for (const [country, { regions }] of Object.entries(REGION_TABLES))
      for (const code of Object.keys(regions)) {
        if (code === "none") continue;
        expect(code.slice(0, 2)).toBe(country);
        expect(parents.has(code), code).toBe(true);
        const around = regionAround(code);
        // The package has Great Britain's areas without the nation around them.
        if (country === "GB") continue;
        if (around !== undefined) expect([code, parents.get(code)]).toEqual([code, around]);
        else expect([code, parents.get(code)]).toEqual([code, country]);
      }
  });

  // From memory: islands and outlying parts, and the mainland beside them.
  it.each([
    ["CA", "X1A 2P5", ["CA-NT"]],
    ["CA", "X0A 0H0", ["CA-NU"]],
    ["US", "99501", ["US-AK"]],
    ["US", "00901", ["US-PR"]],
    ["US", "96799", ["US-AS"]],
    ["US", "96910", ["US-GU"]],
    ["PT", "9000-001", ["PT-30"]],
    ["PT", "9500-012", ["PT-20"]],
    ["ES", "07001", ["ES-PM"]],
    ["ES", "35001", ["ES-GC"]],
    ["ES", "51001", ["ES-CE"]],
    ["FR", "97110", ["FR-971"]],
    ["FR", "20000", ["FR-2A"]],
    ["GB", "BT1 5GS", ["GB-NIR"]],
    ["AU", "7000", ["AU-TAS"]],
    ["AU", "6798", [null]],
    ["JP", "900-0001", ["JP-47"]],
    ["DE", "27498", ["DE-SH"]],
    ["DE", "10115", ["DE-BE"]],
  ])("are told for %s %s", (country, postcode, regions) => {
    expect([...regionsOf(country, postcode)].filter((code) => country !== "GB" || code === "GB-NIR")).toEqual(regions);
  });

  it("leave a mainland address open where the tables say nothing, and settle it where nobody asks", () => {
    expect(regionsOf("PT", "3000-001").has("PT-30")).toBe(false);
    const at = (country: string, postcode: string, lists: string[][]) =>
      possiblePlaces(placeOf({ country, postcode }), namedRegions(lists)).length;
    expect(at("PT", "3000-001", [["PT-20", "PT-30"]])).toBe(1);
    expect(at("NL", "1012 AB", [["NL-FR"]])).toBe(2);
    expect(at("NL", "1012 AB", [])).toBe(1);
    // Regions that every list names alike are alike.
    expect(at("NL", "1012 AB", [["NL-FR", "NL-GR", "NL-DR"]])).toBe(2);
    expect(at("IT", "20100", [["IT-82"], ["IT-PA"]])).toBe(1);
    expect(at("IT", "90100", [["IT-82"], ["IT-PA"]])).toBe(2);
  });

  it("keep the region that was told, and say where the postcode speaks against it", () => {
    const noteOf = (country: string, region: string, postcode: string) => {
      const [place, ...others] = possiblePlaces(placeOf({ country, region, postcode }), namedRegions([[region]]));
      return others.length === 0 ? [place?.regions, place?.note] : null;
    };
    expect(noteOf("PT", "PT-30", "3000-001")).toEqual([["PT-30"], "region-contradicts-postcode"]);
    expect(noteOf("ES", "ES-CN", "35001")).toEqual([["ES-GC", "ES-CN"], undefined]);
    expect(noteOf("ES", "ES-CN", "28001")).toEqual([["ES-CN"], "region-contradicts-postcode"]);
    expect(noteOf("GB", "GB-CON", "TR1 1AA")).toEqual([["GB-CON"], undefined]);
    expect(noteOf("US", "US-CA", "99501")).toEqual([["US-CA"], "region-contradicts-postcode"]);
  });
});
