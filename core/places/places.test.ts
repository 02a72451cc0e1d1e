import * as fc from "fast-check";
import { iso31661 } from "iso-3166/1.js";
import { iso31662 } from "iso-3166/2.js";
import { postcodeValidator } from "postcode-validator";
import { describe, expect, it } from "vitest";
import { normalPostcode, postcodePattern } from "../postcodes/postcode.ts";
import type { Destination } from "../request/request.ts";
import type { ZoneDestination } from "./destination.ts";
import type { Zone } from "./market.ts";
import { indexPlaces, resolvePlace } from "./resolve.ts";
import { parentOf, regionsOf, territoryOf } from "./territory.ts";

const zone = (id: string, destinations: ZoneDestination[], position = 0): Zone => ({
  id,
  position,
  market: "m",
  name: id,
  destinations,
  standardTaxRate: "0",
});
const resolver = (zones: Zone[]) => {
  const index = indexPlaces(zones);
  return (destination: Destination) => resolvePlace(index, destination);
};
const zonesOf = (zones: Zone[], destination: Destination) => resolver(zones)(destination).zones;

describe("which zone serves a place", () => {
  const zones = [
    zone("world", [{ restOfWorld: true, exceptCountries: ["US"] }], 9),
    zone("iberia", [{ country: "PT" }, { country: "ES" }], 5),
    zone("madeira", [{ region: "PT-30" }, { country: "PT", postcodes: ["9000..9399"] }], 4),
    zone("funchal", [{ country: "PT", postcodes: ["9000-001"] }], 3),
    zone("centre", [{ country: "PT", postcodes: ["90*"] }], 2),
  ];

  // F7, common practice, no source: postcode, region, country, rest of world; exactly one applies.
  it.each([
    [{ country: "PT", postcode: "9000-001" }, "funchal", "postcode"],
    [{ country: "PT", postcode: "9000 002" }, "centre", "postcode"],
    [{ country: "PT", postcode: "9100-001" }, "madeira", "postcode"],
    [{ country: "PT", region: "PT-30", postcode: "1000-001" }, "madeira", "region"],
    [{ country: "PT", postcode: "1000-001" }, "iberia", "country"],
    [{ country: "BR", postcode: "01000-000" }, "world", "rest-of-world"],
  ] as const)("F7: %o is served by %s", (destination, expected, by) => {
    expect(resolver(zones)(destination)).toEqual({ zones: [expected], orNowhere: false, by, stopped: [] });
  });

  it("serves nobody where no zone claims the place, or the zone is switched off", () => {
    expect(zonesOf(zones, { country: "US", postcode: "99501" })).toEqual([]);
    const off = zones.map((one) => (one.id === "funchal" ? { ...one, on: false } : one));
    expect(zonesOf(off, { country: "PT", postcode: "9000-001" })).toEqual(["centre"]);
  });

  it("sells nothing to the places of a zone that stops, and leaves its neighbours theirs", () => {
    const pool = fc.constantFrom<Destination>(
      {},
      { country: "PT" },
      { country: "PT", region: "PT-30" },
      { country: "PT", postcode: "9000-001" },
      { country: "PT", postcode: "9000-002" },
      { country: "PT", postcode: "9100-001" },
      { country: "PT", region: "PT-13", postcode: "4000-001" },
      { country: "ES", postcode: "28001" },
      { country: "US", postcode: "10001" },
      { country: "BR" },
    );
    const stop = fc.subarray(zones.map(({ id }) => id));
    fc.assert(
      fc.property(pool, stop, (destination, ids) => {
        const open = resolver(zones)(destination);
        const half = zones.map((one) =>
          ids.includes(one.id) ? { ...one, on: false, whenOff: "stops-selling" as const } : one,
        );
        const closed = resolver(half)(destination);
        expect(closed.zones).toEqual(open.zones.filter((id) => !ids.includes(id)));
        expect(closed.stopped).toEqual(open.zones.filter((id) => ids.includes(id)));
        expect(closed.orNowhere).toBe(open.orNowhere || closed.stopped.length > 0);
      }),
      { seed: 20261126, numRuns: 400 },
    );
  });

  // F15, common practice, no source; the list from ISO 3166-2 (iso-3166): 57 entries, six of them outlying areas.
  it("F15: a United States zone with the outlying areas carved out serves the fifty states and the capital only", () => {
    const entries = iso31662.filter(({ parent }) => parent === "US").map(({ code }) => code);
    expect(entries).toHaveLength(57);
    const outlying = ["US-AS", "US-GU", "US-MP", "US-PR", "US-UM", "US-VI"];
    const us = [zone("us", [{ country: "US", exceptRegions: outlying }])];
    const served = entries.filter((region) => zonesOf(us, { country: "US", region, postcode: "10001" }).length > 0);
    expect(served).toEqual(entries.filter((code) => !outlying.includes(code)));
    expect(served).toHaveLength(51);
    expect(outlying.map((region) => zonesOf(us, { country: region.slice(3), postcode: "00901" }))).toEqual(
      outlying.map(() => []),
    );
  });

  it("takes a territory with two codes for one place, whichever code the plan or the shopper uses", () => {
    const assigned = new Set(iso31661.filter(({ state }) => state === "assigned").map(({ alpha2 }) => alpha2));
    const listed = iso31662.filter(({ code }) => territoryOf(code) !== undefined);
    expect(listed.length).toBe(30);
    for (const { code } of listed) {
      const country = territoryOf(code) ?? "";
      expect(assigned.has(country)).toBe(true);
      expect(regionsOf(country)).toContain(code);
      const ways: Destination[] = [
        { country: parentOf(country) ?? "", region: code },
        { region: code },
        { country, region: code },
      ];
      for (const claim of [{ region: code }, { country }]) {
        for (const way of ways) expect(zonesOf([zone("own", [claim])], { ...way, postcode: "0" })).toEqual(["own"]);
      }
    }
    expect(zonesOf([zone("us", [{ country: "US" }])], { country: "PR", postcode: "00901" })).toEqual(["us"]);
  });

  it("is total, and does not depend on the order of zones or destinations", () => {
    const anyDestination: fc.Arbitrary<ZoneDestination> = fc.oneof(
      fc.constantFrom<ZoneDestination>(
        { country: "PT" },
        { country: "GB" },
        { restOfWorld: true },
        { region: "PT-30" },
      ),
      fc
        .subarray(["9000-001", "90*", "9?00*", "9000..9399", "9100..9199", "1*"], { minLength: 1 })
        .map((postcodes) => ({ country: "PT", postcodes })),
      fc.constantFrom<ZoneDestination>(
        { country: "PT", exceptRegions: ["PT-30"] },
        { country: "PT", exceptPostcodes: ["91*"] },
      ),
    );
    const anyZones = fc
      .array(fc.array(anyDestination, { maxLength: 4 }), { minLength: 1, maxLength: 5 })
      .map((lists) => lists.map((list, i) => zone(`z${i}`, list, i % 2)));
    const address = fc.record({
      country: fc.constant("PT"),
      region: fc.constantFrom("PT-30", "PT-11"),
      postcode: fc.constantFrom("9000-001", "9000-002", "9100-123", "9300-000", "1000-001"),
    });
    fc.assert(
      fc.property(anyZones, address, fc.infiniteStream(fc.nat()), (drawn, place, stream) => {
        const answer = resolver(drawn)(place);
        expect(answer.zones.length).toBeLessThanOrEqual(1);
        const shuffle = <T>(list: readonly T[]) =>
          list
            .map((item) => ({ item, key: stream.next().value ?? 0 }))
            .sort((a, b) => a.key - b.key)
            .map(({ item }) => item);
        const shuffled = shuffle(drawn.map((one) => ({ ...one, destinations: shuffle(one.destinations) })));
        expect(resolver(shuffled)(place)).toEqual(answer);
      }),
    );
  });

  it("names, for a place partly known, every zone that a full address in it leads to, and no other", () => {
    const regions = ["PT-30", "PT-11"];
    const postcodes = ["9000-001", "9000-002", "9100-001", "1000-001"];
    for (const known of [{ country: "PT" }, { country: "PT", region: "PT-30" }, { country: "PT", region: "PT-11" }]) {
      const full = regions
        .filter((region) => !("region" in known) || known.region === region)
        .flatMap((region) => postcodes.map((postcode) => resolver(zones)({ ...known, region, postcode }).zones[0]));
      expect([...resolver(zones)(known).zones].sort()).toEqual([...new Set(full)].sort());
    }
    expect(resolver(zones)({ country: "ES" })).toEqual({
      zones: ["iberia"],
      orNowhere: false,
      by: "country",
      stopped: [],
    });
    expect(resolver(zones)({}).zones).toHaveLength(5);
    expect(resolver([zone("m", [{ region: "PT-30" }])])({ country: "PT" })).toEqual({
      zones: ["m"],
      orNowhere: true,
      by: null,
      stopped: [],
    });
  });
});

describe("postcodes", () => {
  it.each([
    ["PT", ["3000-001", "3000001", "3000 001", " 3000-001 "], "3000-001"],
    ["GB", ["IV2 3RT", "iv23rt", "IV2-3RT"], "IV2 3RT"],
    ["GB", ["SW1A1AA", "sw1a 1aa"], "SW1A 1AA"],
    ["US", ["99501", "99501-1234", "995011234"], "99501"],
    ["JP", ["100-0001", "1000001"], "100-0001"],
    ["CA", ["K1A0B1", "k1a 0b1"], "K1A 0B1"],
    ["NL", ["1012ab", "1012 AB"], "1012 AB"],
    ["PL", ["00950", "00-950"], "00-950"],
  ] as const)("of %s typed as %o are %s", (country, typed, normal) => {
    for (const text of typed) expect(normalPostcode(country, text)).toBe(normal);
    // Source: the national formats of postcode-validator.
    expect(postcodeValidator(normal, country)).toBe(true);
  });

  // Source of validity: the national formats of postcode-validator. The shapes are only what is drawn from.
  it.each([
    ["BR", /^[0-9]{8}$/],
    ["CA", /^[ABCEGHJ-NPRSTVXY][0-9][ABCEGHJ-NPRSTVWXYZ][0-9][ABCEGHJ-NPRSTVWXYZ][0-9]$/],
    ["CZ", /^[1-7][0-9]{4}$/],
    ["GB", /^[A-Z]{1,2}[0-9]{1,2}[0-9][A-Z]{2}$/],
    ["GR", /^[1-9][0-9]{4}$/],
    ["IE", /^[ACDEFHKNPRTVWXY][0-9]{2}[0-9ACDEFHKNPRTVWXY]{4}$/],
    ["JP", /^[0-9]{7}$/],
    ["NL", /^[1-9][0-9]{3}[A-RT-Z][BCE-Z]$/],
    ["PL", /^[0-9]{5}$/],
    ["PT", /^[1-9][0-9]{6}$/],
    ["SE", /^[1-9][0-9]{4}$/],
    ["SK", /^[089][0-9]{4}$/],
    ["US", /^[0-9]{5}([0-9]{4})?$/],
  ])("of %s come out valid and the same however they were typed", (country, shape) => {
    fc.assert(
      fc.property(fc.stringMatching(shape), fc.constantFrom("", " ", "-"), fc.boolean(), (bare, gap, small) => {
        const code = normalPostcode(country, bare);
        expect(postcodeValidator(code, country)).toBe(true);
        const typed = ` ${bare.slice(0, 3)}${gap}${bare.slice(3)}`;
        expect(normalPostcode(country, small ? typed.toLowerCase() : typed)).toBe(code);
        expect(normalPostcode(country, code)).toBe(code);
      }),
    );
  });

  const matching = (country: string, pattern: string, codes: string[]) =>
    codes.filter((code) => postcodePattern(country, pattern)?.matches(normalPostcode(country, code)));

  it("match by wildcard and range as a reader of the pattern would say", () => {
    const highlands = [
      "IV1 1AA",
      "IV27 4XY",
      "KW15 1AA",
      "AB30 1AA",
      "AB31 4AA",
      "AB38 9ZZ",
      "AB39 1AA",
      "AB3 1AA",
      "SW1A 1AA",
    ];
    expect(matching("GB", "IV*", highlands)).toEqual(["IV1 1AA", "IV27 4XY"]);
    expect(matching("GB", "AB31..AB38", highlands)).toEqual(["AB31 4AA", "AB38 9ZZ"]);
    expect(matching("GB", "IV?7*", highlands)).toEqual(["IV27 4XY"]);
    const islands = ["8999-999", "9000-001", "9399-999", "9400-000"];
    expect(matching("PT", "9000..9399", islands)).toEqual(["9000-001", "9399-999"]);
    expect(matching("PT", "9000-001..9000-010", ["9000-001", "9000-010", "9000-011"])).toEqual([
      "9000-001",
      "9000-010",
    ]);
    expect(matching("US", "995..999", ["99501", "99950", "96799", "10001"])).toEqual(["99501", "99950"]);
  });

  it.each(["", "9000..", "9..10", "9399..9000", "(90*)", "90[1-2]", "AB31..IV38", "*", ".*"])(
    "refuse the pattern %o",
    (text) => {
      expect(postcodePattern("PT", text)).toBeUndefined();
    },
  );
});
