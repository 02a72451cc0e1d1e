import { readFile } from "node:fs/promises";
import { parse } from "csv-parse/sync";
import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { exponentOf } from "../../core/money/currency.ts";
import { majorIn, minorUnits } from "../../core/money/decimal.ts";
import { problemLine } from "../../core/schema/problem.ts";
import { checkCatalogue } from "../validation/documents.ts";
import type { CatalogueProduct } from "./catalogue.ts";
import type { Product } from "./product.ts";
import { productsCsv, readProductRows } from "./products-csv.ts";

/** What the database gives back of a product of a file. */
function stored({ prices, categories = [], tags = [], delivery, ...rest }: Product): CatalogueProduct {
  const minor = (amounts: Readonly<Record<string, string>>) =>
    Object.fromEntries(
      Object.entries(amounts).map(([code, text]) => {
        const read = minorUnits(text, exponentOf(code) ?? 2);
        return [code, "minor" in read ? read.minor : -1];
      }),
    );
  const own = delivery?.kind === "own-charge" ? { ...delivery, amounts: minor(delivery.amounts) } : delivery;
  return { ...rest, prices: minor(prices), categories, tags, ...(own ? { delivery: own } : {}) };
}

const words = fc
  .stringMatching(/^[A-Za-z0-9"',;é日 \n=-]{1,20}$/)
  .filter((text) => text.trim() === text && text !== "");
const label = fc.stringMatching(/^[a-z-]{1,8}$/);
const money = (code: string) => fc.integer({ min: 0, max: 9_999_999 }).map((minor) => majorIn(minor, code));
const amounts = fc.record({ EUR: money("EUR"), JPY: money("JPY"), KWD: money("KWD") }, { requiredKeys: [] });
const product: fc.Arbitrary<Product> = fc.record(
  {
    sku: fc.stringMatching(/^[a-z0-9-]{1,12}$/),
    name: words,
    prices: amounts,
    categories: fc.uniqueArray(label, { minLength: 1, maxLength: 3 }),
    tags: fc.uniqueArray(label, { minLength: 1, maxLength: 3 }),
    taxRate: fc.constantFrom("0", "6", "23.5"),
    weight: fc.record({
      value: fc.constantFrom("1", "0.25", "900"),
      unit: fc.constantFrom("g" as const, "kg" as const, "lb" as const),
    }),
    size: fc.record({
      length: fc.constant("40"),
      width: fc.constant("30.5"),
      height: fc.constant("2"),
      unit: fc.constantFrom("cm" as const, "in" as const),
    }),
    parcelClass: label,
    used: fc.constant(true),
    delivery: fc.oneof(
      fc.constant({ kind: "ships-free" as const }),
      fc.constant({ kind: "nothing-to-ship" as const }),
      fc.record({
        kind: fc.constant("own-charge" as const),
        amounts,
        per: fc.constantFrom("piece" as const, "line" as const),
      }),
    ),
  },
  { requiredKeys: ["sku", "name", "prices"] },
);

describe("the catalogue as CSV", () => {
  it("comes back as it went out, read by two parsers of their own", () => {
    fc.assert(
      fc.property(fc.uniqueArray(product, { minLength: 1, maxLength: 6, selector: ({ sku }) => sku }), (products) => {
        const csv = productsCsv(products.map(stored));
        for (const rows of [Papa.parse<string[]>(csv.replace(/\r\n$/, "")).data, parse(csv)]) {
          const [header = [], ...body] = rows;
          const back = readProductRows(header, body, 2);
          expect("products" in back && back.products.map(stored)).toEqual(products.map(stored));
        }
      }),
      { numRuns: 150, seed: 20261124 },
    );
  });

  it("comes back whole for the demo's catalogue", async () => {
    const checked = checkCatalogue(JSON.parse(await readFile("demo/catalogue.json", "utf8")));
    if (!("value" in checked)) throw new Error(JSON.stringify(checked.problems));
    const [header = [], ...body] = Papa.parse<string[]>(productsCsv(checked.value.map(stored)).trimEnd()).data;
    const back = readProductRows(header, body, 2);
    expect("products" in back && back.products.map(stored)).toEqual(checked.value.map(stored));
  });

  it.each([
    [
      "a price that is none",
      ["sku", "name", "price_EUR"],
      ["a", "A", "nine"],
      'row 7, column 3 "nine" is no amount in EUR',
    ],
    ["too many decimals", ["sku", "name", "price_JPY"], ["a", "A", "1.5"], 'row 7, column 3 "1.5" is no amount in JPY'],
    [
      "a currency nobody has",
      ["sku", "name", "price_XXQ"],
      ["a", "A", "1"],
      "row 7, column 3 XXQ is not an active ISO 4217 currency",
    ],
    ["no SKU", ["sku", "name"], ["", "A"], "row 7, column 1"],
    ["a unit nobody knows", ["sku", "name", "weight", "weight_unit"], ["a", "A", "2", "stone"], "row 7, column 4"],
    ["a weight that is none", ["sku", "name", "weight"], ["a", "A", "heavy"], "row 7, column 3"],
    [
      "a column nobody knows",
      ["sku", "name", "colour"],
      ["a", "A", "red"],
      'row 1, column 3 there is no column "colour"',
    ],
    ["a column twice", ["sku", "name", "name"], ["a", "A", "B"], 'row 1, column 3 the column "name" is there twice'],
    ["more cells than columns", ["sku", "name"], ["a", "A", "B"], "row 7 has more cells"],
    ["fewer cells than columns", ["sku", "name", "weight"], ["a", "A"], "row 7 has 2 cells, the first row 3"],
    [
      "a weight below nothing",
      ["sku", "name", "weight"],
      ["a", "A", "-5"],
      "row 7, column 3 must be a figure such as 2 or 0.5",
    ],
    ["a delivery nobody knows", ["sku", "name", "delivery"], ["a", "A", "by-pigeon"], "row 7, column 3"],
  ])("says where %s stands", (_, header, row, said) => {
    const read = readProductRows(header, [row], 7);
    const lines = "problems" in read ? read.problems.map(problemLine) : [];
    expect(
      lines.some((line) => line.startsWith(said)),
      lines.join("\n"),
    ).toBe(true);
  });
});
