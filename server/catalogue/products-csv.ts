import Papa from "papaparse";
import { majorIn } from "../../core/money/decimal.ts";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { asMeant, harmless } from "../../core/schema/formula-cells.ts";
import { inFile, type Problem } from "../../core/schema/problem.ts";
import { checkProduct } from "../validation/documents.ts";
import type { CatalogueProduct } from "./catalogue.ts";
import { amountProblem, productProblems } from "./catalogue-problems.ts";
import type { Product } from "./product.ts";

const PLAIN = [
  "sku",
  "name",
  "categories",
  "tags",
  "tax_rate",
  "weight",
  "weight_unit",
  "length",
  "width",
  "height",
  "size_unit",
  "parcel_class",
  "used",
  "delivery",
  "own_charge_per",
] as const;
type Plain = (typeof PLAIN)[number];
const isPlain = (name: string): name is Plain => PLAIN.some((known) => known === name);
const MONEY = /^(price|own_charge)_([A-Z]{3})$/;

/** Problems of a header: columns that are not known, or missing. */
function headerProblems(header: readonly string[]): Problem[] {
  const unknown = header.flatMap((name, i) =>
    isPlain(name) || MONEY.test(name) ? [] : [inFile(at(1, i), phrase('there is no column "{name}"', { name }))],
  );
  const twice = header.flatMap((name, i) =>
    header.indexOf(name) < i ? [inFile(at(1, i), phrase('the column "{name}" is there twice', { name }))] : [],
  );
  const missing = ["sku", "name"].flatMap((name) =>
    header.includes(name) ? [] : [inFile(rowOf(1), phrase('the column "{name}" is missing', { name }))],
  );
  return [...unknown, ...twice, ...missing];
}

/**
 * Reads rows of a catalogue file. Problems say row and column, counted from 1 as a spreadsheet does.
 *
 * @param first the row of the file that the first of these is
 * @example readProductRows(["sku", "name", "price_EUR"], [["ink", "Ink", "9.80"]], 2) // { products: [{ sku: "ink", … }] }
 */
export function readProductRows(
  header: readonly string[],
  rows: readonly (readonly string[])[],
  first: number,
): { products: Product[] } | { problems: Problem[] } {
  const wrongHeader = headerProblems(header);
  if (wrongHeader.length > 0) return { problems: wrongHeader };
  const problems: Problem[] = [];
  const products = rows.flatMap((cells, r): Product[] => {
    const row = first + r;
    if (cells.every((cell) => cell.trim() === "")) return [];
    if (cells.length > header.length) problems.push(inFile(rowOf(row), phrase("has more cells than the first row")));
    if (cells.length < header.length)
      problems.push(
        inFile(
          rowOf(row),
          phrase("has {count} cells, the first row {wanted}", { count: cells.length, wanted: header.length }),
        ),
      );
    const cell = (name: Plain) => asMeant(cells[header.indexOf(name)]?.trim() ?? "");
    const money = moneyCells(header, cells, row, problems);
    const checked = checkProduct(productOf(cell, money));
    const wrong = "problems" in checked ? checked.problems : productProblems(checked.value);
    if ("value" in checked && wrong.length === 0) return [checked.value];
    for (const { path, message } of wrong) problems.push(inFile(placeOf(path, header, row), message));
    return [];
  });
  return problems.length > 0 ? { problems } : { products };
}

type Money = { price: Record<string, string>; own_charge: Record<string, string> };

function moneyCells(header: readonly string[], cells: readonly string[], row: number, problems: Problem[]): Money {
  const money: Money = { price: {}, own_charge: {} };
  header.forEach((name, i) => {
    const [, kind, currency = ""] = MONEY.exec(name) ?? [];
    const text = cells[i]?.trim() ?? "";
    if ((kind !== "price" && kind !== "own_charge") || text === "") return;
    const problem = amountProblem(text, currency);
    if (problem) problems.push(inFile(at(row, i), problem));
    else money[kind][currency] = text;
  });
  return money;
}

function productOf(cell: (name: Plain) => string, money: Money): object {
  const list = (name: Plain) => [
    ...new Set(
      cell(name)
        .split(";")
        .map((part) => part.trim())
        .filter((part) => part !== ""),
    ),
  ];
  const given = <T>(key: string, text: string, value: T) => (text === "" ? {} : { [key]: value });
  const kind = cell("delivery");
  const delivery =
    kind === "own-charge" ? { kind, amounts: money.own_charge, per: cell("own_charge_per") || "piece" } : { kind };
  return {
    sku: cell("sku"),
    name: cell("name"),
    prices: money.price,
    ...(list("categories").length > 0 ? { categories: list("categories") } : {}),
    ...(list("tags").length > 0 ? { tags: list("tags") } : {}),
    ...given("taxRate", cell("tax_rate"), cell("tax_rate")),
    ...given("weight", cell("weight"), { value: cell("weight"), unit: cell("weight_unit") || "g" }),
    ...given("size", cell("length"), {
      length: cell("length"),
      width: cell("width"),
      height: cell("height"),
      unit: cell("size_unit") || "cm",
    }),
    ...given("parcelClass", cell("parcel_class"), cell("parcel_class")),
    ...given("used", cell("used"), /^(yes|true|1)$/i.test(cell("used"))),
    ...given("delivery", kind, delivery),
  };
}

const COLUMN_OF: Readonly<Record<string, Plain>> = {
  taxRate: "tax_rate",
  parcelClass: "parcel_class",
};

function placeOf(path: string, header: readonly string[], row: number): Phrase {
  const [, top = "", part = ""] = path.split("/");
  const name =
    { weight: part === "unit" ? "weight_unit" : "weight", size: part === "unit" ? "size_unit" : part }[top] ??
    COLUMN_OF[top] ??
    top;
  const column = header.indexOf(name);
  return column < 0 ? rowOf(row) : at(row, column);
}

const rowOf = (row: number) => phrase("row {row}", { row });
const at = (row: number, column: number) => phrase("row {row}, column {column}", { row, column: column + 1 });

/** Products as a catalogue file. */
export function productsCsv(products: readonly CatalogueProduct[]): string {
  const currencies = (pick: (product: CatalogueProduct) => Record<string, number>) =>
    [...new Set(products.flatMap((product) => Object.keys(pick(product))))].sort();
  const prices = currencies(({ prices }) => prices);
  const charges = currencies(ownCharges);
  const header = [...PLAIN, ...prices.map((code) => `price_${code}`), ...charges.map((code) => `own_charge_${code}`)];
  const money = (minor: number | undefined, code: string) => (minor === undefined ? "" : majorIn(minor, code));
  const rows = products.map((product) => {
    const { sku, name, categories, tags, taxRate, weight, size, parcelClass, used, delivery } = product;
    return [
      ...[sku, name, categories.join(";"), tags.join(";"), taxRate ?? "", weight?.value ?? "", weight?.unit ?? ""],
      ...[size?.length ?? "", size?.width ?? "", size?.height ?? "", size?.unit ?? "", parcelClass ?? ""],
      ...[used ? "yes" : "", delivery?.kind ?? "", delivery?.kind === "own-charge" ? delivery.per : ""],
      ...prices.map((code) => money(product.prices[code], code)),
      ...charges.map((code) => money(ownCharges(product)[code], code)),
    ];
  });
  return `${Papa.unparse([header, ...rows].map((cells) => cells.map(harmless)))}\r\n`;
}

const ownCharges = ({ delivery }: CatalogueProduct): Record<string, number> =>
  delivery?.kind === "own-charge" ? delivery.amounts : {};
