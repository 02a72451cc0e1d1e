import { add, divide, ONE, type Rational } from "./rational.ts";

/** The part of a price that is tax, or that tax adds to it. @example taxPart({ n: 20n, d: 100n }, true) // 20/120 */
export const taxPart = (rate: Rational, included: boolean): Rational =>
  included ? divide(rate, add(ONE, rate)) : rate;
