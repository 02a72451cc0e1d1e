import { phrase } from "../phrases/phrase.ts";
import { CurrencyCode, closed, Id } from "../schema/atoms.ts";
import { inFile, type Problem, pointer } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import { isDay } from "../time/day.ts";
import { exponentOf } from "./currency.ts";
import { decimal, isNothing } from "./decimal.ts";
import { divide, fraction, multiply, ONE, type Rational, roundHalfAway, whole } from "./rational.ts";

const Rate = Type.String({
  pattern: "^[0-9]{1,9}(\\.[0-9]{1,12})?$",
  description: "Units of the currency for one unit of the base, as a decimal string",
});

/** Exchange rates of one base currency by day. The latest day is the one in force. */
export const RateTable = Type.Object(
  {
    id: Id,
    base: CurrencyCode,
    days: Type.Array(
      Type.Object(
        {
          date: Type.String({ pattern: "^[0-9]{4}-[0-9]{2}-[0-9]{2}$", description: "A day, YYYY-MM-DD" }),
          rates: Type.Record(CurrencyCode, Rate, closed),
        },
        closed,
      ),
      { minItems: 1, maxItems: 20_000 },
    ),
  },
  { ...closed, title: "RateTable" },
);
export type RateTable = Static<typeof RateTable>;

/** The rates in force of every table of a plan, by the table's id. */
export type Rates = ReadonlyMap<string, { readonly base: string; readonly rates: ReadonlyMap<string, Rational> }>;

export function ratesInForce(tables: readonly RateTable[]): Rates {
  return new Map(
    tables.map(({ id, base, days }) => {
      const latest = days.reduce((best, day) => (day.date > best.date ? day : best));
      const rates = Object.entries(latest.rates).flatMap(([currency, text]): [string, Rational][] => {
        const rate = decimal(text);
        return rate && rate.n > 0 ? [[currency, rate]] : [];
      });
      return [id, { base, rates: new Map(rates) }];
    }),
  );
}

/** Exact minor units of `to` that so many minor units of `from` are worth; undefined for a currency that is not known. */
export function exchanged(minor: number, from: string, to: string, rate: Rational): Rational | undefined {
  const [before, after] = [exponentOf(from), exponentOf(to)];
  if (before === undefined || after === undefined) return undefined;
  return multiply(multiply(whole(minor), rate), fraction(10 ** after, 10 ** before));
}

/**
 * Minor units in another currency by the first table that knows both, rounded once to the nearest; undefined without one.
 *
 * @example inCurrency(1000, "EUR", "JPY", rates) // 1586 at 158.64 to the euro
 */
export function inCurrency(minor: number, from: string, to: string, rates: Rates): number | undefined {
  if (from === to) return minor;
  for (const table of rates.values()) {
    const [source, target] = [from, to].map((code) => (code === table.base ? ONE : table.rates.get(code)));
    const exact = source && target && exchanged(minor, from, to, divide(target, source));
    if (exact) return roundHalfAway(exact);
  }
  return undefined;
}

/** Unknown currencies, rates of nothing, days written twice or that no calendar has. */
export function rateTableProblems(table: RateTable, path: string): Problem[] {
  const unknown = (code: string, at: string) =>
    exponentOf(code) === undefined
      ? [{ path: at, message: phrase("{code} is not an active ISO 4217 currency", { code }) }]
      : [];
  const seen = new Set<string>();
  return [
    ...unknown(table.base, `${path}/base`),
    ...table.days.flatMap(({ date, rates }, i) => {
      const at = `${path}/days/${i}`;
      const repeated = seen.has(date);
      seen.add(date);
      return [
        ...(repeated ? [{ path: `${at}/date`, message: phrase("{date} is there twice", { date }) }] : []),
        ...(isDay(date) ? [] : [{ path: `${at}/date`, message: phrase("{date} is no day of the calendar", { date }) }]),
        ...Object.entries(rates).flatMap(([currency, text]) => [
          ...unknown(currency, `${at}/rates${pointer(currency)}`),
          ...(isNothing(text)
            ? [{ path: `${at}/rates${pointer(currency)}`, message: phrase("a rate cannot be zero") }]
            : []),
        ]),
      ];
    }),
  ];
}

/**
 * Reads rows of the open layout central banks publish reference rates in: a header with `Date` and a currency in each
 * further column, then a row per day. Cells that are empty or `N/A` are days without a rate. Problems say row and
 * column, counted from 1 as a spreadsheet does.
 *
 * @example rateDays([["Date", "USD"], ["20 November 2026", "1.0872"]]) // { days: [{ date: "2026-11-20", rates: … }] }
 */
export function rateDays(rows: readonly (readonly string[])[]): { days: RateTable["days"] } | { problems: Problem[] } {
  const [header = [], ...body] = rows;
  const problems: Problem[] = [];
  const at = (row: number, column: number) =>
    phrase("row {row}, column {column}", { row: row + 1, column: column + 1 });
  const codes = header.map((cell) => cell.trim().toUpperCase());
  if (codes[0] !== "DATE") problems.push(inFile(at(0, 0), phrase('the first column must be headed "Date"')));
  codes.slice(1).forEach((code, i) => {
    if (code !== "" && !/^[A-Z]{3}$/.test(code))
      problems.push(inFile(at(0, i + 1), phrase('"{code}" is no currency code', { code })));
  });
  const days = body.flatMap((cells, r) => {
    if (cells.every((cell) => cell.trim() === "")) return [];
    const date = dayOf(cells[0]?.trim() ?? "");
    if (!date) problems.push(inFile(at(r + 1, 0), phrase('"{value}" is no date', { value: cells[0] ?? "" })));
    const rates: Record<string, string> = {};
    codes.slice(1).forEach((code, i) => {
      const text = cells[i + 1]?.trim() ?? "";
      // Banks go on printing columns of currencies that are no longer in use.
      if (code === "" || exponentOf(code) === undefined || text === "" || text.toUpperCase() === "N/A") return;
      const rate = decimal(text);
      if (rate && rate.n > 0) rates[code] = text;
      else problems.push(inFile(at(r + 1, i + 1), phrase('"{text}" is no rate', { text })));
    });
    return date ? [{ date, rates }] : [];
  });
  if (problems.length === 0 && days.length === 0) problems.push(inFile(at(1, 0), phrase("there is no day in it")));
  return problems.length > 0 ? { problems } : { days };
}

/**
 * The currency that rates are for one of, where the file says so by a column that is 1 on every day; null where nobody can tell.
 *
 * @example statedBase([{ date: "2026-11-24", rates: { EUR: "1", USD: "1.08" } }]) // "EUR"
 */
export function statedBase(days: RateTable["days"]): string | null {
  const codes = [...new Set(days.flatMap(({ rates }) => Object.keys(rates)))];
  const isOne = (text: string | undefined) => text !== undefined && /^1(\.0+)?$/.test(text);
  const ones = codes.filter((code) => days.every(({ rates }) => isOne(rates[code])));
  return ones.length === 1 ? (ones[0] ?? null) : null;
}

/** Days without a currency: what is for one of it need not say that one of it is one. */
export const withoutCurrency = (days: RateTable["days"], code: string): RateTable["days"] =>
  days.map(({ date, rates: { [code]: _, ...rates } }) => ({ date, rates }));

const MONTHS = "january february march april may june july august september october november december".split(" ");

/** Days as banks write them: 2026-11-20 or 20 November 2026. */
function dayOf(text: string): string | undefined {
  const words = /^(\d{1,2}) ([A-Za-z]+) (\d{4})$/.exec(text);
  const month = MONTHS.indexOf(words?.[2]?.toLowerCase() ?? "") + 1;
  const date = words ? `${words[3]}-${String(month).padStart(2, "0")}-${words[1]?.padStart(2, "0")}` : text;
  return /^\d{4}-\d{2}-\d{2}$/.test(date) && isDay(date) ? date : undefined;
}
