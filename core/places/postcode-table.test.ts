import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import zipcodes from "zipcodes";
import { english } from "../phrases/speak.ts";
import type { Coordinates } from "../quantities/coordinates.ts";
import { quote } from "../quote/quote.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { inEnglish } from "../tests/in-english.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { locationProblems } from "./location.ts";
import { placeOf } from "./place.ts";
import { positionOf } from "./postcode-table.ts";
import { postcodeReader, type WantedPostcodes } from "./read-postcode-table.ts";

const read = (text: string, wanted: WantedPostcodes) => {
  const reader = postcodeReader(wanted);
  for (const row of Papa.parse<string[]>(text, { skipEmptyLines: true }).data) reader.take(row);
  return reader.done();
};
const PORTO: WantedPostcodes = { country: "PT", at: [41.1496, -8.611], within: 20_000 };
const tableOf = (text: string, wanted = PORTO) => {
  const found = read(text, wanted);
  if ("problem" in found) throw new Error(english(found.problem));
  return found;
};

describe("a file of postcodes with positions", () => {
  // The open layouts by their columns, from memory; the figures are made up.
  it.each([
    ["names in capitals, commas", "Postal Code,Latitude,Longitude\n4000-123,41.14,-8.61\n"],
    ["other columns beside, any order", 'place,LONG,LAT,"zip"\n"Porto, Sé",-8.61,41.14,4000123\n'],
    ["semicolons, one column for both", "Code_postal;Nom;_geopoint\n4000-123;Porto;41.14, -8.61\n"],
    ["a point in tabs, by the census's names", "GEOID\tALAND\tINTPTLAT\tINTPTLONG\n4000-123\t7\t+41.14\t-8.61\n"],
    [
      "no names at all: twelve columns in tabs",
      "PT\t4000-123\tPorto\tPorto\t13\tPorto\t1312\t\t\t41.14\t-8.61\t6\nES\t08001\tB\t\t\t\t\t\t\t41.14\t-8.61\t4\n",
    ],
    ["decimal commas", "cp;latitude;longitude\n4000-123;41,14;-8,61\n"],
  ])("is read with %s", (_, text) => {
    expect(tableOf(text).table).toEqual({ "4000-123": [41.14, -8.61] });
  });

  it("says of every row what became of it", () => {
    const rows = [
      "4000-123,41.14,-8.61,PT",
      "4000-123,41.16,-8.63,PT",
      "1000-001,38.71,-9.14,PT",
      "08001,41.38,2.17,ES",
    ];
    const broken = ["40,41.14,-8.61,PT", "4000-200,99.999999,0,PT", "4000-201,,,PT"];
    expect(inEnglish(tableOf(["postcode,lat,lon,country", ...rows, ...broken].join("\n")))).toEqual({
      table: { "4000-123": [41.15, -8.62] },
      elsewhere: 1,
      farther: 1,
      unreadable: 3,
      examples: [
        "row 6: “40” is no postcode of PT",
        "row 7: no latitude and longitude of 4000-200",
        "row 8: no latitude and longitude of 4000-201",
      ],
    });
  });

  it.each([
    ["", "The file is empty."],
    ["name,latitude,longitude\nPorto,41,-8\n", "No column of postcodes"],
    ["postcode,name\n4000-123,Porto\n", "No columns called latitude and longitude"],
  ])("refuses %j with a word", (text, why) => {
    expect(inEnglish(read(text, PORTO))).toEqual({ problem: expect.stringContaining(why) });
  });

  it("refuses more postcodes than a location can keep, and takes a smaller round of them", () => {
    const text = `postcode,lat,lon\n${Object.values(zipcodes.codes)
      .filter(({ country }) => country === "US")
      .map(({ zip, latitude, longitude }) => `${zip},${latitude},${longitude}`)
      .join("\n")}`;
    const from = zipcodes.lookup("10001");
    if (!from) throw new Error("no such ZIP code");
    const at: Coordinates = [from.latitude, from.longitude];
    const all = read(text, { country: "US", at, within: 20_000_000 });
    expect(inEnglish(all)).toEqual({ problem: expect.stringContaining("choose a shorter way") });
    // Source: the package zipcodes 8.0.0, positions and distances in whole miles by a formula of its own.
    const { table } = tableOf(text, { country: "US", at, within: 16_093 });
    const near = zipcodes.radius("10001", 9).filter((zip) => zipcodes.lookup(String(zip))?.country === "US");
    const maybe = new Set(zipcodes.radius("10001", 11).map(String));
    expect(near.length).toBeGreaterThan(100);
    expect(near.filter((zip) => !Object.hasOwn(table, String(zip)))).toEqual([]);
    expect(Object.keys(table).filter((zip) => !maybe.has(zip))).toEqual([]);
  });
});

describe("a postcode that is typed", () => {
  const table = { "4000-123": [41.1486, -8.6109], "4050": [41.155, -8.63], "4415-001": [41.06, -8.55] } as const;
  const porto = { id: "porto", position: 1, name: { en: "Porto" }, country: "PT", timeZone: "Europe/Lisbon" };
  const at: Coordinates = [41.1496, -8.611];
  const postcodeTable = Object.fromEntries(
    Object.entries(table).map(([code, [a, b]]): [string, Coordinates] => [code, [a, b]]),
  );

  it("lies where the table has it, or the first part of it; never where it has neither", () => {
    const found = (postcode: string, country = "PT") =>
      positionOf({ country: "PT", postcodeTable }, placeOf({ country, postcode }));
    expect([found("4000 123"), found("4050-456"), found("4050")]).toEqual([
      table["4000-123"],
      table["4050"],
      table["4050"],
    ]);
    expect([found("4000-124"), found("4000"), found("4415"), found("4000-123", "ES"), found("")]).toEqual(
      Array(5).fill(undefined),
    );
  });

  it("has local delivery within so many kilometres as an address with that very position has", () => {
    const amount = { byCurrency: { EUR: "4" } };
    const near = (location: object) =>
      compiledPlan(
        oneZonePlan({
          locations: [{ ...porto, at, ...location }],
          options: [
            {
              ...{ id: "round", position: 1, name: { en: "Round" }, zones: ["z"], charge: { kind: "flat", amount } },
              when: { kind: "distance", from: "porto", is: "at-most", distance: { value: "3", unit: "km" } },
            },
            { id: "post", position: 2, name: { en: "Post" }, zones: ["z"], charge: { kind: "flat", amount } },
          ],
        }),
      );
    const [withTable, without] = [near({ postcodeTable }), near({})];
    const ask = (compiled: typeof without, destination: object) => {
      const cart = { lines: [{ sku: "a", quantity: 1, unitPrice: 1000 }] };
      const result = quote(compiled, { at: "2026-11-26T12:00:00Z", currency: "EUR", locale: "en", destination, cart });
      return "quote" in result
        ? result.quote.options.filter(({ shown }) => shown).map(({ id, price }) => `${id} ${price}`)
        : result.problems;
    };
    const typed = fc.constantFrom("4000-123", "4050-999", "4415-001", "4000-999", "4000");
    fc.assert(
      fc.property(typed, (postcode) => {
        const position = positionOf({ country: "PT", postcodeTable }, placeOf({ country: "PT", postcode }));
        const told = ask(without, { country: "PT", postcode, ...(position ? { position } : {}) });
        expect(ask(withTable, { country: "PT", postcode })).toEqual(told);
      }),
      { seed: 20261126 },
    );
    expect(ask(withTable, { country: "PT", postcode: "4000-123" })).toEqual(["round 400", "post 400"]);
    expect(ask(withTable, { country: "PT", postcode: "4415-001" })).toEqual(["post 400"]);
    // What a shop tells goes before what the table says.
    const far = { country: "PT", postcode: "4000-123", position: [38.7, -9.1] };
    expect(ask(withTable, far)).toEqual(["post 400"]);
  });

  it("is refused in a table of another country, with the way it is written there", () => {
    const of = (country: string, codes: readonly string[]) =>
      locationProblems(
        { ...porto, at, country, postcodeTable: Object.fromEntries(codes.map((code) => [code, at])) },
        "/locations/0",
      );
    expect(of("PT", ["4000-123", "4050"])).toEqual([]);
    expect(inEnglish(of("PT", ["4000123"]))).toEqual([
      { path: "/locations/0/postcodeTable/4000123", message: '"4000123" is written "4000-123" in PT' },
    ]);
  });
});
