import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { asMeant, harmless } from "./formula-cells.ts";

describe("cells that a spreadsheet may open", () => {
  it("come back as they were, and none of them begins like a formula unless it is a figure", () => {
    const cell = fc.oneof(
      fc.string(),
      fc
        .tuple(
          fc.constantFrom("=", "+", "-", "@", "\t", "\r", "\n", "＝", "'=", "''@", "'", "-5", "+1,000.5"),
          fc.string(),
        )
        .map((parts) => parts.join("")),
    );
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 2, maxLength: 4 }), { minLength: 1 }), (rows) => {
        const text = Papa.unparse(rows.map((row) => row.map(harmless)));
        const { data } = Papa.parse<string[]>(text, { delimiter: "," });
        expect(data.map((row) => row.map(asMeant))).toEqual(rows);
        for (const shown of data.flat())
          expect(/^[=@\t\r\n＝＋－＠]|^[+-](?!\d+(?:[.,]\d+)*$)/.test(shown)).toBe(false);
      }),
      { numRuns: 2000, seed: 20261126 },
    );
    expect(["-5", "+3.50", 7, -7, "A=1", "it's"].map(harmless)).toEqual(["-5", "+3.50", 7, -7, "A=1", "it's"]);
    expect(harmless('=HYPERLINK("http://example.invalid")')).toBe('\'=HYPERLINK("http://example.invalid")');
  });
});
