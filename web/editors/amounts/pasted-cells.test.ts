import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { majorIn } from "../../../core/money/decimal.ts";
import type { Market } from "../../../core/places/market.ts";
import { pastedCells } from "./pasted-cells.ts";

const market = (id: string, currency: string): Market => ({
  id,
  position: 1,
  name: id,
  currencies: [currency],
  languages: ["en"],
  timeZone: "UTC",
  pricesIncludeTax: true,
});
const columns = [
  { market: market("pt", "EUR"), currency: "EUR" },
  { market: market("jp", "JPY"), currency: "JPY" },
  { market: market("kw", "KWD"), currency: "KWD" },
];
const rows = [
  { key: "one", amount: { byCurrency: { EUR: "45.00" } } },
  { key: "two", amount: { byCurrency: {}, byMarket: { kw: { KWD: "9.000" } } } },
  { key: "three", amount: null },
];

describe("cells pasted into a table of amounts", () => {
  it("land where they were aimed, a market's own amount stays its own, and empty cells leave what is there", () => {
    expect(pastedCells("50\t8000\t20\n60\t\t30\r\n", rows, columns, { row: 0, column: 0 })).toEqual({
      amounts: new Map([
        ["one", { byCurrency: { EUR: "50.00", JPY: "8000", KWD: "20.000" } }],
        ["two", { byCurrency: { EUR: "60.00" }, byMarket: { kw: { KWD: "30.000" } } }],
      ]),
    });
  });

  it("say which cell does not fit, and then none is taken", () => {
    const problems = (text: string, at: { row: number; column: number }) => {
      const pasted = pastedCells(text, rows, columns, at);
      return "problems" in pasted ? pasted.problems : [];
    };
    expect(problems("50\tmany", { row: 0, column: 0 })).toEqual([expect.stringMatching(/^row 1, column 2: /)]);
    expect(problems("1\t2", { row: 0, column: 2 })).toEqual([
      "row 1, column 2: there is no amount in the table for “2”",
    ]);
    expect(problems("1\n2\n3", { row: 0, column: 0 })).toEqual([
      "row 3, column 1: there is no amount in the table for “3”",
    ]);
    expect(problems("1.5", { row: 0, column: 1 })).toHaveLength(1);
  });

  it("take any amounts a currency can hold, as they were", () => {
    const figure = (code: string) => fc.integer({ min: 0, max: 10_000_000 }).map((minor) => majorIn(minor, code));
    fc.assert(
      fc.property(figure("EUR"), figure("JPY"), figure("KWD"), (...cells) => {
        const pasted = pastedCells(cells.join("\t"), rows, columns, { row: 0, column: 0 });
        const [EUR, JPY, KWD] = cells;
        expect("amounts" in pasted && pasted.amounts.get("one")).toEqual({ byCurrency: { EUR, JPY, KWD } });
      }),
      { numRuns: 200, seed: 20261124 },
    );
  });
});
