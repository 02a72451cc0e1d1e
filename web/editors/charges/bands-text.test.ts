import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { BandedCharge } from "../../../core/charges/kinds/bands.ts";
import { bandsCsv, readBands } from "./bands-text.ts";

const context = { zone: null, market: "m", currency: "EUR", rates: new Map() };
const BASIS = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } as const;
const money = fc.integer({ min: 1, max: 99_999 }).map((minor) => ({ byCurrency: { EUR: (minor / 100).toFixed(2) } }));
const price = fc.oneof(money, fc.constantFrom("free" as const, "not-offered" as const));
const marks = {
  value: (n: number) => ({ byCurrency: { EUR: (n / 100).toFixed(2) } }),
  items: (n: number) => ({ items: n }),
  volume: (n: number) => ({ volume: { value: String(n / 1000), unit: "dm3" as const } }),
  weight: (n: number) => ({ weight: { value: String(n / 1000), unit: "kg" as const } }),
  distance: (n: number) => ({ distance: { value: String(n / 1000), unit: "km" as const } }),
};

const bands: fc.Arbitrary<BandedCharge> = fc
  .tuple(
    fc.constantFrom("value", "items", "weight", "volume", "distance"),
    price,
    fc.uniqueArray(fc.tuple(fc.integer({ min: 1, max: 30_000 }), fc.constantFrom("from", "above"), price), {
      maxLength: 8,
      selector: ([at]) => at,
    }),
  )
  .map(([kind, first, drawn]) => ({
    kind: "bands",
    by: kind === "value" ? { kind, basis: BASIS } : kind === "distance" ? { kind, from: "shop" } : { kind },
    first,
    edges: drawn.sort(([a], [b]) => a - b).map(([at, edge, one]) => ({ at: marks[kind](at), edge, price: one })),
  }));

describe("bands as text", () => {
  it("come back from a CSV as they went out, by comma or by tab", () => {
    fc.assert(
      fc.property(bands, fc.boolean(), (charge, tabs) => {
        const csv = bandsCsv(charge, context);
        const { first, edges } = charge;
        expect(readBands(tabs ? csv.replaceAll(",", "\t") : csv, charge.by.kind, "EUR")).toEqual({ first, edges });
      }),
    );
  });

  it("take two columns from a spreadsheet, with signs and decimal commas", () => {
    expect(readBands("0\t€4,00\n30\t7 €\n75\tfree\n", "value", "EUR")).toEqual({
      first: { byCurrency: { EUR: "4.00" } },
      edges: [
        { at: { byCurrency: { EUR: "30.00" } }, edge: "from", price: { byCurrency: { EUR: "7.00" } } },
        { at: { byCurrency: { EUR: "75.00" } }, edge: "from", price: "free" },
      ],
    });
  });

  it.each(["\t", ";"])("take decimal commas in every cell, parted by %j", (parted) => {
    const rows = [
      ["0", "9,00"],
      ["40,50", "6,00"],
    ];
    expect(readBands(rows.map((cells) => cells.join(parted)).join("\n"), "value", "EUR")).toEqual({
      first: { byCurrency: { EUR: "9.00" } },
      edges: [{ at: { byCurrency: { EUR: "40.50" } }, edge: "from", price: { byCurrency: { EUR: "6.00" } } }],
    });
  });

  it.each([
    ["0\t9,00\n40,005\t6", "row 2, column 1: EUR has 2 decimals; write a thousand as 1000"],
    ["0,4\n30,seven", 'row 2, column 2: "seven" is not an amount; write it like 45.00'],
    ["0,4\n3O,7", 'row 2, column 1: "3O" is not an amount; write it like 45.00'],
    ["0,4\n30,7\n30,8", "two bands begin at 30.00: they overlap"],
    ["0,4\n75,free\n30,7", "row 3: begins at 30, before the row above it: put the rows in order"],
    ["30,7", "no band begins at 0: carts below the first edge would have no price"],
    ["0,4\n30", "row 2: needs where the band begins and its price"],
    ["begins,edge,price\n0,,4\n30,below,7", 'row 3, column 2: "below" is neither from nor above'],
    ["0,4\n-3,7", "row 2, column 1: An amount cannot be negative"],
  ])("refuse %o and say where, taking nothing", (text, problem) => {
    expect(readBands(text, "value", "EUR")).toEqual({ problems: [problem] });
  });
});
