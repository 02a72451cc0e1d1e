import { type Static, Type } from "@sinclair/typebox";
import { CurrencyCode, closed, Decimal, Id } from "../plan/atoms.ts";
import { type Problem, pointer } from "../plan/problem.ts";
import { exponentOf } from "./currency.ts";
import { minorUnits } from "./decimal.ts";

/** Money wherever a plan needs it: typed per currency, and per market where one market differs. */
export const Amount = Type.Object(
  {
    byCurrency: Type.Optional(Type.Record(CurrencyCode, Decimal, closed)),
    byMarket: Type.Optional(Type.Record(Id, Type.Record(CurrencyCode, Decimal, closed), closed)),
  },
  { ...closed, title: "Amount" },
);
export type Amount = Static<typeof Amount>;

/**
 * Minor units of an amount for one market and currency: the market's own, else the currency's; undefined when the
 * amount has neither.
 *
 * @example amountFor({ byCurrency: { EUR: "45.00" } }, "pt", "EUR") // 4500
 */
export function amountFor(amount: Amount, market: string, currency: string): number | undefined {
  const typed = amount.byMarket?.[market]?.[currency] ?? amount.byCurrency?.[currency];
  const exponent = exponentOf(currency);
  if (typed === undefined || exponent === undefined) return undefined;
  const read = minorUnits(typed, exponent);
  return "minor" in read ? read.minor : undefined;
}

/** Problems of every typed figure of an amount: unknown currency, too many decimals, unknown market. */
export function amountProblems(amount: Amount, path: string, markets: ReadonlySet<string>): Problem[] {
  const figures = [
    ...typedFigures(amount.byCurrency ?? {}, `${path}/byCurrency`),
    ...Object.entries(amount.byMarket ?? {}).flatMap(([market, typed]) =>
      typedFigures(typed, `${path}/byMarket${pointer(market)}`),
    ),
  ];
  const unknownMarkets = Object.keys(amount.byMarket ?? {})
    .filter((market) => !markets.has(market))
    .map((market) => ({ path: `${path}/byMarket${pointer(market)}`, message: `there is no market "${market}"` }));
  return [...unknownMarkets, ...figures.flatMap(figureProblems)];
}

type Figure = { path: string; currency: string; text: string };

function typedFigures(typed: Record<string, string>, path: string): Figure[] {
  return Object.entries(typed).map(([currency, text]) => ({ path: path + pointer(currency), currency, text }));
}

function figureProblems({ path, currency, text }: Figure): Problem[] {
  const exponent = exponentOf(currency);
  if (exponent === undefined) return [{ path, message: `${currency} is not an active ISO 4217 currency` }];
  const read = minorUnits(text, exponent);
  if ("minor" in read) return [];
  const message = {
    "not-a-decimal": `"${text}" is not a decimal amount`,
    "too-many-decimals": `"${text}" has more than the ${exponent} decimals of ${currency}`,
    "too-large": `"${text}" is too large`,
  }[read.problem];
  return [{ path, message }];
}
