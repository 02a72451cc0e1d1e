import { add, divide, ONE, type Rational, reduce } from "./rational.ts";

/** A part of a price, exactly, and in doubles where they hold it, which reckon many times as fast. */
export type TaxPart = { readonly exact: Rational; readonly n: number; readonly d: number };

/** The part of a price that is tax, or that tax adds to it. @example taxPart({ n: 20n, d: 100n }, true).exact // 1/6 */
export function taxPart(rate: Rational, included: boolean): TaxPart {
  const exact = reduce(included ? divide(rate, add(ONE, rate)) : rate);
  return { exact, n: Number(exact.n), d: Number(exact.d) };
}

/** Up to here a quotient of whole numbers in doubles is never rounded up to the next whole number. */
const MOST = 2 ** 52;

/** A fraction of zero or more, rounded half up; null where doubles might not hold it. @example roundedQuotient(5, 2) // 3 */
export function roundedQuotient(n: number, d: number): number | null {
  const twice = 2 * n + d;
  return twice < MOST ? Math.floor(twice / (2 * d)) : null;
}
