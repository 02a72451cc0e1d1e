import Papa from "papaparse";
import type { BandedCharge } from "../../../core/charges/kinds/bands.ts";
import { type Mark, type MeasureSpec, markAt } from "../../../core/measures/measure-spec.ts";
import type { AmountContext } from "../../../core/money/amount.ts";
import { amountFor } from "../../../core/money/amount.ts";
import { decimal, majorIn, majorUnits } from "../../../core/money/decimal.ts";
import { floor, multiply, whole } from "../../../core/money/rational.ts";
import { typedAmount } from "../../../core/money/typed.ts";
import { say } from "../../language/say.ts";
import { FIRST_UNITS, IN_UNITS, type UnitSystem } from "../../names/units.ts";

/** A mark so many whole units of its measure up, for one currency; null where it cannot be set that way. */
export function markOf(
  kind: MeasureSpec["kind"],
  units: number,
  currency: string,
  system: UnitSystem = "metric",
): Mark | null {
  const first = FIRST_UNITS[system];
  const figure = (unit: keyof typeof IN_UNITS) =>
    (units / IN_UNITS[unit]).toFixed(system === "metric" ? 3 : 2).replace(/\.?0+$/, "");
  switch (kind) {
    case "value":
      return { byCurrency: { [currency]: majorIn(units, currency) } };
    case "items":
      return { items: units };
    case "weight":
    case "volumetric-weight":
    case "chargeable-weight":
      return { weight: { value: figure(first.parcel), unit: first.parcel } };
    case "volume":
      return { volume: { value: figure(first.space), unit: first.space } };
    case "distance":
      return { distance: { value: figure(first.way), unit: first.way } };
    default:
      return null;
  }
}

/** What an edge is written in. */
function edgeUnit(kind: MeasureSpec["kind"], currency: string): string {
  switch (kind) {
    case "value":
      return currency;
    case "items":
      return say("items");
    case "distance":
      return "km";
    case "volume":
      return "dm³";
    case "weight-volume":
      return "kg·dm³";
    default:
      return "kg";
  }
}

const THOUSANDTHS = 3;

/** An edge as a figure in its unit. @example edgeText("weight", 2_500_000, "EUR") // "2.5" */
function edgeText(kind: MeasureSpec["kind"], units: number, currency: string): string {
  if (kind === "value") return majorIn(units, currency);
  if (kind === "items") return String(units);
  const thousandths = kind === "distance" ? units : Math.round(units / 1000);
  return majorUnits(thousandths, THOUSANDTHS).replace(/\.?0+$/, "");
}

/** Reads an edge as it is typed in its unit. */
function readEdge(
  kind: MeasureSpec["kind"],
  text: string,
  currency: string,
): { mark: Mark; units: number } | { problem: string } {
  const bare = text.trim().replace(",", ".");
  let units: number | null = null;
  if (kind === "value") {
    const read = typedAmount(text, currency);
    if ("problem" in read) return { problem: say(read.problem) };
    units = read.minor;
  } else {
    const value = decimal(bare);
    if (!value || value.n < 0)
      return {
        problem: say('"{text}" is no figure in {unit}', { text: text.trim(), unit: edgeUnit(kind, currency) }),
      };
    if (kind === "items") units = value.d === 1 ? floor(value) : null;
    else units = floor(multiply(value, whole(kind === "distance" ? 1000 : 1_000_000)));
  }
  const mark = units === null ? null : markOf(kind, units, currency);
  if (units === null || !mark)
    return {
      problem: say('"{text}" is no figure in {unit}', { text: text.trim(), unit: edgeUnit(kind, currency) }),
    };
  return { mark, units };
}

/**
 * Bands as rows of a spreadsheet: where each begins, which side owns the edge, and its price in one currency.
 *
 * @example bandsCsv(charge, context) // "from,edge,price\r\n0,,4.00\r\n30.00,from,7.00\r\n75.00,from,free"
 */
export function bandsCsv(charge: BandedCharge, context: AmountContext): string {
  const { kind } = charge.by;
  const priceText = (price: BandedCharge["first"]): string => {
    if (price === "free" || price === "not-offered") return price.replace("-", " ");
    const minor = amountFor("fixed" in price ? price.fixed : price, context);
    return minor === undefined ? "" : majorIn(minor, context.currency);
  };
  const rows = charge.edges.map(({ at, edge, price }) => [
    edgeText(kind, markAt(at, context) ?? 0, context.currency),
    edge,
    priceText(price),
  ]);
  return Papa.unparse([[say("begins"), say("edge"), say("price")], ["0", "", priceText(charge.first)], ...rows]);
}

export type BandsRead = { first: BandedCharge["first"]; edges: BandedCharge["edges"] } | { problems: string[] };

/**
 * Reads bands pasted from a spreadsheet or a CSV file: a row per band, where it begins and its price, with the edge's side
 * between them if it is told (`from` unless it is). Nothing is taken when any cell cannot be: problems say row and column.
 */
export function readBands(text: string, kind: MeasureSpec["kind"], currency: string): BandsRead {
  // A comma may be a decimal one: it parts cells only where nothing else does. Without any of these it is guessed.
  const delimiter = ["\t", ";"].find((one) => text.includes(one)) ?? "";
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: "greedy", delimiter });
  const problems: string[] = [];
  const head = data[0]?.[0]?.trim().toLowerCase() ?? "";
  const skipped = /^[0-9.,\s€$£¥-]+$/.test(head) ? 0 : 1;
  const edges: Row[] = [];
  let first: BandedCharge["first"] | null = null;
  data.slice(skipped).forEach((cells, i) => {
    const place = say("row {number}", { number: i + 1 + skipped });
    const row = readRow(cells, kind, currency);
    if ("problem" in row) problems.push(`${place}${row.problem}`);
    else if (row.units < (edges.at(-1)?.units ?? 0))
      problems.push(
        say("{place}: begins at {edge}, before the row above it: put the rows in order", {
          place,
          edge: cells[0]?.trim() ?? "",
        }),
      );
    else if (row.units > 0 || row.edge === "above") edges.push(row);
    else if (first !== null) problems.push(say("{place}: another band begins at 0 already", { place }));
    else first = row.price;
  });
  if (problems.length === 0 && first === null)
    problems.push(say("no band begins at 0: carts below the first edge would have no price"));
  edges.forEach(({ units, edge }, i) => {
    const before = edges[i - 1];
    if (before?.units === units && before.edge === edge)
      problems.push(say("two bands begin at {edge}: they overlap", { edge: edgeText(kind, units, currency) }));
  });
  if (problems.length > 0 || first === null) return { problems };
  return { first, edges: edges.map(({ mark, edge, price }) => ({ at: mark, edge, price })) };
}

type Row = { mark: Mark; units: number; edge: "from" | "above"; price: BandedCharge["first"] };

/** @returns what is wrong as it follows the words "row 3" */
function readRow(cells: readonly string[], kind: MeasureSpec["kind"], currency: string): Row | { problem: string } {
  if (cells.length < 2) return { problem: say(": needs where the band begins and its price") };
  const edge = readEdge(kind, cells[0] ?? "", currency);
  if ("problem" in edge) return { problem: say(", column 1: {problem}", { problem: edge.problem }) };
  const price = readPrice(cells.at(-1) ?? "", currency);
  if (typeof price === "object" && "problem" in price) {
    return { problem: say(", column {count}: {problem}", { count: cells.length, problem: price.problem }) };
  }
  const side = cells.length > 2 ? (cells[1]?.trim().toLowerCase() ?? "") : "";
  if (side !== "" && side !== "from" && side !== "above") {
    return { problem: say(', column 2: "{side}" is neither from nor above', { side }) };
  }
  return { ...edge, edge: side === "above" ? "above" : "from", price };
}

function readPrice(text: string, currency: string): BandedCharge["first"] | { problem: string } {
  const bare = text.trim().toLowerCase();
  if (bare === "free" || bare === say("free")) return "free";
  if (["not offered", "not-offered", say("not offered")].includes(bare)) return "not-offered";
  const read = typedAmount(text, currency);
  if ("problem" in read) return { problem: say(read.problem) };
  return { byCurrency: { [currency]: majorIn(read.minor, currency) } };
}
