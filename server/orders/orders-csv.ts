import { exponentOf } from "../../core/money/currency.ts";
import { minorUnits } from "../../core/money/decimal.ts";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { asMeant } from "../../core/schema/formula-cells.ts";
import { amountProblem } from "../catalogue/catalogue-problems.ts";
import { checkOrderIn } from "./check-order.ts";
import type { OrderIn } from "./order-in.ts";

/** Columns of a file with a line for each order line; what is of the whole order may stand in its first line alone. */
const OF_ORDER = [
  "order",
  "at",
  "currency",
  "country",
  "region",
  "postcode",
  "street",
  "channel",
  "payment",
  "shopper",
  "signed_in",
  "groups",
  "buyer",
  "option",
  "delivery",
  "delivery_cost",
  "order_discount",
  "codes",
  "release",
  "cancelled",
] as const;
const OF_LINE = [
  "sku",
  "quantity",
  "unit_price",
  "line_discount",
  "tax_rate",
  "categories",
  "tags",
  "weight",
  "weight_unit",
  "parcel_class",
] as const;
/** Columns of a file with a line for each order, of which no more is known. */
const PLAIN = ["order", "at", "currency", "total", "delivery", "delivery_cost", "buyer", "cancelled"] as const;

const WANTED = {
  lines: ["order", "at", "currency", "option", "delivery", "sku", "quantity", "unit_price"],
  plain: ["order", "at", "currency", "total", "delivery"],
} as const;

type Column = (typeof OF_ORDER)[number] | (typeof OF_LINE)[number] | (typeof PLAIN)[number];

/** What is wrong with a file of orders, and where: rows and columns are counted from 1, as a spreadsheet does. */
export type Fault = { readonly row: number; readonly column?: number | undefined; readonly message: Phrase };

/** The layout of a file, by its first row. */
export type Layout = { readonly kind: "lines" | "plain"; readonly header: readonly string[] };

/**
 * Which layout a file has.
 *
 * @example layoutOf(["order", "at", "currency", "total", "delivery"]) // { layout: { kind: "plain", … } }
 */
export function layoutOf(header: readonly string[]): { readonly layout: Layout } | { readonly faults: Fault[] } {
  const kind = header.includes("sku") ? "lines" : "plain";
  const known: readonly string[] = kind === "lines" ? [...OF_ORDER, ...OF_LINE] : PLAIN;
  const strange = header.flatMap((name, i): Fault[] => {
    if (!known.includes(name))
      return [{ row: 1, column: i + 1, message: phrase('there is no column "{name}"', { name }) }];
    if (header.indexOf(name) < i)
      return [{ row: 1, column: i + 1, message: phrase('the column "{name}" is there twice', { name }) }];
    return [];
  });
  const missing = WANTED[kind].flatMap((name): Fault[] =>
    header.includes(name) ? [] : [{ row: 1, message: phrase('the column "{name}" is missing', { name }) }],
  );
  const faults = [...strange, ...missing];
  return faults.length > 0 ? { faults } : { layout: { kind, header } };
}

/** A row of a file: its number and its cells. */
export type Row = { readonly row: number; readonly cells: readonly string[] };

/** The order that a row belongs to, as far as it says, and what is wrong with the row; null for one with nothing in it. */
export function orderOfRow(
  { header }: Layout,
  { row, cells }: Row,
): { readonly order: string | null; readonly fault: Fault | null } | null {
  if (cells.every((cell) => cell.trim() === "")) return null;
  const column = header.indexOf("order");
  const order = asMeant(cells[column]?.trim() ?? "") || null;
  if (cells.length !== header.length) {
    const counts = { count: cells.length, wanted: header.length };
    return { order, fault: { row, message: phrase("has {count} cells, the first row {wanted}", counts) } };
  }
  return { order, fault: order === null ? { row, column: column + 1, message: phrase("is missing") } : null };
}

/**
 * An order from its rows, or everything that is wrong with them.
 *
 * @param rows of one order, in the file's order, each as long as the header
 */
export function orderFromRows(
  layout: Layout,
  rows: readonly Row[],
): { readonly order: OrderIn } | { readonly faults: Fault[] } {
  const reader = new RowReader(layout);
  const [first] = rows;
  if (!first) return { faults: [] };
  if (layout.kind === "plain" && rows.length > 1)
    return { faults: rows.slice(1).map(({ row }) => ({ row, message: phrase("is there twice") })) };
  const currency = reader.text(first, "currency");
  if (exponentOf(currency) === undefined)
    reader.faultAt(first, "currency", phrase("{currency} is not an active ISO 4217 currency", { currency }));
  const agreed = rows.slice(1).flatMap((row) => reader.disagreements(first, row));
  if (agreed.length > 0 || reader.faults.length > 0) return { faults: [...agreed, ...reader.faults] };
  const body = layout.kind === "plain" ? plainBody(reader, first, currency) : linesBody(reader, rows, first, currency);
  if (reader.faults.length > 0) return { faults: reader.faults };
  const checked = checkOrderIn(body);
  if ("value" in checked) return { order: checked.value };
  return { faults: checked.problems.map(({ path, message }) => reader.place(path, message, rows)) };
}

const common = (reader: RowReader, row: Row, currency: string) => ({
  order: reader.text(row, "order"),
  charged: reader.amount(row, "delivery", currency),
  ...reader.optional(row, "delivery_cost", "cost", (name) => reader.amount(row, name, currency)),
  ...reader.optional(row, "buyer", "buyer", () => reader.buyer(row)),
  ...reader.optional(row, "cancelled", "cancelled", (name) => reader.isYes(row, name)),
});

const plainBody = (reader: RowReader, row: Row, currency: string): object => ({
  ...common(reader, row, currency),
  at: reader.moment(row),
  currency,
  total: reader.amount(row, "total", currency),
});

function linesBody(reader: RowReader, rows: readonly Row[], first: Row, currency: string): object {
  const shopper = {
    ...reader.optional(first, "shopper", "id"),
    ...reader.optional(first, "signed_in", "signedIn", (name) => reader.isYes(first, name)),
    ...reader.optional(first, "groups", "groups", (name) => reader.list(first, name)),
  };
  return {
    ...common(reader, first, currency),
    option: reader.text(first, "option"),
    ...reader.optional(first, "release", "release", (name) => reader.whole(first, name)),
    request: {
      at: reader.moment(first),
      currency,
      ...reader.optional(first, "channel", "channel"),
      ...reader.optional(first, "payment", "payment"),
      destination: {
        ...reader.optional(first, "country", "country"),
        ...reader.optional(first, "region", "region"),
        ...reader.optional(first, "postcode", "postcode"),
        ...reader.optional(first, "street", "street"),
      },
      ...(Object.keys(shopper).length > 0 ? { shopper } : {}),
      cart: {
        lines: rows.map((row) => lineOf(reader, row, currency)),
        ...reader.optional(first, "codes", "codes", (name) => reader.list(first, name)),
        ...reader.optional(first, "order_discount", "discounts", (name) => [
          { amount: reader.amount(first, name, currency) },
        ]),
      },
    },
  };
}

const lineOf = (reader: RowReader, row: Row, currency: string): object => ({
  sku: reader.text(row, "sku"),
  quantity: reader.whole(row, "quantity"),
  unitPrice: reader.amount(row, "unit_price", currency),
  ...reader.optional(row, "line_discount", "discount", (name) => reader.amount(row, name, currency)),
  ...reader.optional(row, "tax_rate", "taxRate"),
  ...reader.optional(row, "categories", "categories", (name) => reader.list(row, name)),
  ...reader.optional(row, "tags", "tags", (name) => reader.list(row, name)),
  ...reader.optional(row, "weight", "weight", (name) => ({
    value: reader.text(row, name),
    unit: reader.text(row, "weight_unit") || "g",
  })),
  ...reader.optional(row, "parcel_class", "parcelClass"),
});

/** Where parts of an order come from. */
const COLUMN_OF: Readonly<Record<string, Column>> = {
  "/charged": "delivery",
  "/cost": "delivery_cost",
  "/request/shopper/id": "shopper",
  "/request/shopper/signedIn": "signed_in",
  "/request/shopper/groups": "groups",
  "/request/cart/codes": "codes",
  "/request/cart/discounts": "order_discount",
};
const LINE_COLUMN_OF: Readonly<Record<string, Column>> = {
  unitPrice: "unit_price",
  discount: "line_discount",
  taxRate: "tax_rate",
  parcelClass: "parcel_class",
};

/** Reads cells by the names of their columns, and keeps what is wrong with them. */
class RowReader {
  readonly faults: Fault[] = [];
  private readonly columns: ReadonlyMap<string, number>;

  constructor({ header }: Layout) {
    this.columns = new Map(header.map((name, i) => [name, i]));
  }

  text({ cells }: Row, name: Column): string {
    const at = this.columns.get(name);
    return at === undefined ? "" : asMeant(cells[at]?.trim() ?? "");
  }

  /** Nothing where the cell is empty. */
  optional<Key extends string>(
    row: Row,
    name: Column,
    key: Key,
    read: (name: Column) => unknown = (column) => this.text(row, column),
  ): { [K in Key]?: unknown } {
    const found: { [K in Key]?: unknown } = {};
    if (this.text(row, name) !== "") found[key] = read(name);
    return found;
  }

  amount(row: Row, name: Column, currency: string): number | undefined {
    const text = this.text(row, name);
    const problem = text === "" ? phrase("is missing") : amountProblem(text, currency);
    const read = minorUnits(text, exponentOf(currency) ?? 2);
    if (!problem && "minor" in read) return read.minor;
    return this.faultAt(row, name, problem ?? phrase('"{text}" is no amount in {currency}', { text, currency }));
  }

  whole(row: Row, name: Column): number | undefined {
    const text = this.text(row, name);
    return /^\d{1,10}$/.test(text)
      ? Number(text)
      : this.faultAt(row, name, text === "" ? phrase("is missing") : phrase('"{text}" is no whole number', { text }));
  }

  isYes(row: Row, name: Column): boolean | undefined {
    const text = this.text(row, name).toLowerCase();
    if (/^(yes|true|1)$/.test(text)) return true;
    if (/^(no|false|0)$/.test(text)) return false;
    return this.faultAt(row, name, phrase('"{text}" is neither yes nor no', { text }));
  }

  buyer(row: Row): string | undefined {
    const text = this.text(row, "buyer").toLowerCase();
    return text === "new" || text === "returning"
      ? text
      : this.faultAt(row, "buyer", phrase('"{text}" is neither new nor returning', { text }));
  }

  list(row: Row, name: Column): string[] {
    const parts = this.text(row, name).split(";");
    return [...new Set(parts.map((part) => part.trim()).filter((part) => part !== ""))];
  }

  /** A moment with its offset; a space may stand for the T. */
  moment(row: Row): string | undefined {
    const text = this.text(row, "at").replace(/^(\d{4}-\d{2}-\d{2}) (?=\d)/, "$1T");
    if (text === "") return this.faultAt(row, "at", phrase("is missing"));
    if (/T\d{2}:\d{2}(:\d{2}(\.\d+)?)?$/.test(text))
      return this.faultAt(row, "at", phrase("says no offset, such as Z or +01:00, so it is no certain moment"));
    return /T\d{2}:\d{2}(Z|[+-]\d)/i.test(text) ? text.replace(/(T\d{2}:\d{2})/, "$1:00") : text;
  }

  faultAt(row: Row, name: Column, message: Phrase): undefined {
    const at = this.columns.get(name);
    this.faults.push({ row: row.row, column: at === undefined ? undefined : at + 1, message });
    return undefined;
  }

  /** Cells of the whole order that say something else than its first row; an empty one says the same. */
  disagreements(first: Row, row: Row): Fault[] {
    return OF_ORDER.flatMap((name): Fault[] => {
      const text = this.text(row, name);
      if (text === "" || text === this.text(first, name)) return [];
      const column = this.columns.get(name);
      return [
        {
          row: row.row,
          ...(column === undefined ? {} : { column: column + 1 }),
          message: phrase("says something else than row {row} of the same order", { row: first.row }),
        },
      ];
    });
  }

  /** Where in the file a part of the order stands. */
  place(path: string, message: Phrase, rows: readonly Row[]): Fault {
    const [, line, part = ""] = /^\/request\/cart\/lines\/(\d+)\/(\w+)/.exec(path) ?? [];
    const row = (line === undefined ? rows[0] : rows[Number(line)]) ?? rows[0];
    const known = Object.entries(COLUMN_OF).find(([start]) => path.startsWith(start))?.[1];
    const name = line === undefined ? (known ?? path.split("/").at(-1) ?? "") : (LINE_COLUMN_OF[part] ?? part);
    const column = this.columns.get(name);
    return { row: row?.row ?? 0, ...(column === undefined ? {} : { column: column + 1 }), message };
  }
}
