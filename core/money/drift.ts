import { type Amount, type AmountContext, resolveAmount } from "./amount.ts";
import { exponentOf } from "./currency.ts";
import { decimal, percent } from "./decimal.ts";
import { exchanged, type RateTable, ratesInForce } from "./rates.ts";
import { compare, divide, fraction, multiply, type Rational, roundHalfAway, whole } from "./rational.ts";

/** What shoppers would have been shown on one day of a table, in minor units. */
export type ShownOn = { readonly date: string; readonly minor: number };

/** What a converted amount would have come to on each day of its table, oldest first; empty where it is not converted. */
export function convertedOverTime(amount: Amount, table: RateTable, context: Omit<AmountContext, "rates">): ShownOn[] {
  return byDate(table).flatMap((day) => {
    const found = resolveAmount(amount, { ...context, rates: ratesInForce([{ ...table, days: [day] }]) });
    return found?.from === "conversion" ? [{ date: day.date, minor: found.minor }] : [];
  });
}

/** How a round goal fares in a shop that holds one amount in its base currency and converts it live. */
export type BaseAmount = {
  /** The amount to type in the shop, in minor units of the base. */
  readonly base: number;
  /** What shoppers are shown of it day by day. */
  readonly shown: readonly ShownOn[];
  /** The largest stray from the round goal, as a share of it. */
  readonly farthest: number;
  /** Days beyond the tolerance. */
  readonly beyond: number;
};

/**
 * The base amount whose conversion comes nearest to a round goal abroad at the newest rate, and how far it strays.
 *
 * @param goal the round goal, in minor units of `currency`
 * @param tolerance percent of the goal, as typed
 * @example baseAmountFor(table, "USD", 7500, "1")?.base // 6858 at 1.0936 dollars to the euro
 */
export function baseAmountFor(table: RateTable, currency: string, goal: number, tolerance: string): BaseAmount | null {
  const days = byDate(table).flatMap(({ date, rates }) => {
    const rate = decimal(rates[currency] ?? "");
    return rate && rate.n > 0 ? [{ date, rate }] : [];
  });
  const newest = days.at(-1);
  const within = percent(tolerance);
  if (!newest || !within || goal <= 0) return null;
  const base = nearestBase(table.base, currency, goal, newest.rate);
  if (base === undefined) return null;
  const shown = days.flatMap(({ date, rate }) => {
    const exact = exchanged(base, table.base, currency, rate);
    return exact ? [{ date, minor: roundHalfAway(exact) }] : [];
  });
  const strays = shown.map(({ minor }) => Math.abs(minor - goal));
  const beyond = strays.filter((stray) => compare(fraction(stray, goal), within) > 0).length;
  return { base, shown, farthest: Math.max(...strays) / goal, beyond };
}

function nearestBase(base: string, currency: string, goal: number, rate: Rational): number | undefined {
  const [from, to] = [exponentOf(base), exponentOf(currency)];
  if (from === undefined || to === undefined) return undefined;
  const scale = fraction(10 ** from, 10 ** to);
  return roundHalfAway(multiply(divide(whole(goal), rate), scale));
}

const byDate = ({ days }: RateTable) => [...days].sort((a, b) => (a.date < b.date ? -1 : 1));
