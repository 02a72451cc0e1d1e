import { type Phrase, phrase } from "../phrases/phrase.ts";
import { CurrencyCode, closed, Decimal, Id } from "../schema/atoms.ts";
import { type Problem, pointer } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import { exponentOf } from "./currency.ts";
import { isNothing, minorUnits } from "./decimal.ts";
import { exchanged, type Rates } from "./rates.ts";
import { ceil, divide, floor, type Rational, roundHalfAway, whole } from "./rational.ts";

/** How a converted amount is made round: to a multiple of `step`, then less one minor unit where it should end in 9. */
export const Rounding = Type.Object(
  {
    step: Decimal,
    direction: Type.Union([Type.Literal("nearest"), Type.Literal("up"), Type.Literal("down")]),
    lessOne: Type.Optional(Type.Boolean({ description: "One minor unit less than the round figure" })),
  },
  { ...closed, title: "Rounding" },
);
export type Rounding = Static<typeof Rounding>;

/** Figures of its own for some places, by their ids, and in them by currency. */
const OwnFigures = Type.Record(Id, Type.Record(CurrencyCode, Decimal, closed), closed);

/**
 * Money wherever a plan needs it: typed per currency, and per market or single zone where one differs; else, for the
 * currencies named, converted from the amount in the rate table's base currency.
 */
export const Amount = Type.Object(
  {
    byCurrency: Type.Optional(Type.Record(CurrencyCode, Decimal, closed)),
    byMarket: Type.Optional(OwnFigures),
    byZone: Type.Optional(OwnFigures),
    converted: Type.Optional(
      Type.Object({ table: Id, to: Type.Record(CurrencyCode, Rounding, closed) }, { ...closed, title: "Conversion" }),
    ),
  },
  { ...closed, title: "Amount" },
);
export type Amount = Static<typeof Amount>;

/** Where an amount is asked for; without a zone: as the market's zones have it that have none of their own. */
export type AmountContext = ReadersNames & {
  readonly zone: string | null;
  readonly market: string;
  readonly currency: string;
  readonly rates: Rates;
};

/** What people read for ids in words about a plan. */
export type ReadersNames = {
  /** What a location is called, for words about it; its id unless given. */
  readonly locationName?: (id: string) => string;
  /** What a live carrier and one of its services are called; their ids unless given. */
  readonly carrierNames?: (carrier: string, service: string) => { readonly carrier: string; readonly service: string };
};

/** Where a figure comes from: typed, or converted from `source` minor units of the table's base by a rounding. */
export type ResolvedAmount =
  | { readonly from: "zone" | "market" | "currency"; readonly minor: number }
  | {
      readonly from: "conversion";
      readonly minor: number;
      readonly base: string;
      readonly source: number;
      readonly rounding: Rounding;
    };

/** An amount at one place, and where it comes from: the zone's own, the market's own, the currency's, else converted. */
export function resolveAmount(
  amount: Amount,
  { zone, market, currency, rates }: AmountContext,
): ResolvedAmount | undefined {
  const zoneOwn = zone === null ? undefined : typedMinor(amount.byZone?.[zone]?.[currency], currency);
  if (zoneOwn !== undefined) return { from: "zone", minor: zoneOwn };
  const own = typedMinor(amount.byMarket?.[market]?.[currency], currency);
  if (own !== undefined) return { from: "market", minor: own };
  const shared = typedMinor(amount.byCurrency?.[currency], currency);
  if (shared !== undefined) return { from: "currency", minor: shared };

  const rounding = amount.converted?.to[currency];
  const table = amount.converted && rates.get(amount.converted.table);
  const rate = table?.rates.get(currency);
  const source = table && typedMinor(amount.byCurrency?.[table.base], table.base);
  if (!rounding || !table || !rate || source === undefined) return undefined;
  const minor = converted(source, table.base, currency, rate, rounding);
  return minor === undefined ? undefined : { from: "conversion", minor, base: table.base, source, rounding };
}

/**
 * Minor units of an amount at one place in one currency; undefined when it has none there.
 *
 * @example amountFor({ byCurrency: { EUR: "45.00" } }, { zone: null, market: "pt", currency: "EUR", rates: new Map() }) // 4500
 */
export function amountFor(amount: Amount, context: AmountContext): number | undefined {
  return resolveAmount(amount, context)?.minor;
}

/** The multiple a rounding goes to, in minor units; undefined where the currency cannot hold it. */
export const stepFor = ({ step }: Rounding, currency: string): number | undefined =>
  typedMinor(step, currency) || undefined;

function typedMinor(text: string | undefined, currency: string): number | undefined {
  const exponent = exponentOf(currency);
  if (text === undefined || exponent === undefined) return undefined;
  const read = minorUnits(text, exponent);
  return "minor" in read ? read.minor : undefined;
}

/** Exact until the one rounding at the end; never below zero. */
function converted(
  source: number,
  base: string,
  currency: string,
  rate: Rational,
  { step, direction, lessOne }: Rounding,
): number | undefined {
  const multiple = typedMinor(step, currency);
  const exact = exchanged(source, base, currency, rate);
  if (exact === undefined || !multiple) return undefined;
  const steps = divide(exact, whole(multiple));
  const count = { nearest: roundHalfAway, up: ceil, down: floor }[direction](steps);
  const minor = Math.max(0, count * multiple - (lessOne ? 1 : 0));
  return Number.isSafeInteger(minor) ? minor : undefined;
}

/** What amounts of a plan may refer to. */
export type AmountReferences = {
  readonly zones: ReadonlySet<string>;
  readonly markets: ReadonlySet<string>;
  readonly tables: ReadonlySet<string>;
};

/** Problems of every figure of an amount: unknown currency, zone, market or rate table, too many decimals. */
export function amountProblems(amount: Amount, path: string, { zones, markets, tables }: AmountReferences): Problem[] {
  const steps = Object.entries(amount.converted?.to ?? {}).map(([currency, { step }]) => ({
    path: `${path}/converted/to${pointer(currency)}/step`,
    currency,
    text: step,
  }));
  const figures = [
    ...typedFigures(amount.byCurrency ?? {}, `${path}/byCurrency`),
    ...ownFigures(amount.byMarket ?? {}, `${path}/byMarket`),
    ...ownFigures(amount.byZone ?? {}, `${path}/byZone`),
    ...steps,
  ];
  const unknownPlaces = [
    ...unknownIn(amount.byMarket ?? {}, markets, phrase("market"), `${path}/byMarket`),
    ...unknownIn(amount.byZone ?? {}, zones, phrase("zone"), `${path}/byZone`),
  ];
  const table = amount.converted?.table;
  const unknownTable =
    table === undefined || tables.has(table)
      ? []
      : [{ path: `${path}/converted/table`, message: phrase('there is no rate table "{table}"', { table }) }];
  const zeroSteps = steps
    .filter(({ text }) => isNothing(text))
    .map(({ path: at }) => ({ path: at, message: phrase("a step cannot be zero") }));
  return [...unknownPlaces, ...unknownTable, ...figures.flatMap(figureProblems), ...zeroSteps];
}

type Own = Readonly<Record<string, Record<string, string>>>;

const ownFigures = (own: Own, path: string): Figure[] =>
  Object.entries(own).flatMap(([id, typed]) => typedFigures(typed, path + pointer(id)));

const unknownIn = (own: Own, known: ReadonlySet<string>, what: Phrase, path: string): Problem[] =>
  Object.keys(own)
    .filter((id) => !known.has(id))
    .map((id) => ({ path: path + pointer(id), message: phrase('there is no {what} "{id}"', { what, id }) }));

type Figure = { path: string; currency: string; text: string };

function typedFigures(typed: Record<string, string>, path: string): Figure[] {
  return Object.entries(typed).map(([currency, text]) => ({ path: path + pointer(currency), currency, text }));
}

function figureProblems({ path, currency, text }: Figure): Problem[] {
  const exponent = exponentOf(currency);
  if (exponent === undefined)
    return [{ path, message: phrase("{currency} is not an active ISO 4217 currency", { currency }) }];
  const read = minorUnits(text, exponent);
  if ("minor" in read) return [];
  const message = {
    "not-a-decimal": phrase('"{text}" is not a decimal amount', { text }),
    "too-many-decimals": phrase('"{text}" has more than the {exponent} decimals of {currency}', {
      text,
      exponent,
      currency,
    }),
    "too-large": phrase('"{text}" is too large', { text }),
  }[read.problem];
  return [{ path, message }];
}
