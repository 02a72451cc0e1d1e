type Fraction<Whole> = { readonly n: Whole; readonly d: Whole };

/**
 * An exact fraction; the denominator is positive. Not always in lowest terms: use {@link compare} to compare. Both are plain numbers
 * where those hold all there is, which reckon many times as fast; big integers otherwise.
 */
export type Rational = Fraction<number> | Fraction<bigint>;

export const ZERO: Rational = { n: 0, d: 1 };
export const ONE: Rational = { n: 1, d: 1 };
export const HALF: Rational = { n: 1, d: 2 };

/** Half of what a double holds exactly, so that sums of two are held too, and no quotient is rounded up to the next whole number. */
export const MOST_EXACT = 2 ** 52;
const MOST_BIG = BigInt(MOST_EXACT);

/** Throws RangeError for what is not a whole number. */
export const whole = (value: number | bigint): Rational => fraction(value, 1);

/**
 * A fraction of whole numbers; `d` is positive. Throws RangeError for what is not a whole number.
 *
 * @example fraction(1, 6)
 */
export function fraction(n: number | bigint, d: number | bigint): Rational {
  if (typeof n === "number" && typeof d === "number" && Number.isInteger(n) && Number.isInteger(d) && fits(n, d))
    return { n: n + 0, d };
  return shrunk({ n: BigInt(n), d: BigInt(d) });
}

const fits = (n: number, d: number): boolean => n <= MOST_EXACT && n >= -MOST_EXACT && d <= MOST_EXACT;

const inNumbers = (a: Rational): a is Fraction<number> => typeof a.n === "number";
const inBigIntegers = (a: Rational): Fraction<bigint> => (inNumbers(a) ? { n: BigInt(a.n), d: BigInt(a.d) } : a);
const shrunk = (a: Fraction<bigint>): Rational =>
  a.n <= MOST_BIG && a.n >= -MOST_BIG && a.d <= MOST_BIG ? { n: Number(a.n), d: Number(a.d) } : a;

export const isZero = ({ n }: Rational): boolean => !n;

export function add(a: Rational, b: Rational): Rational {
  // Nothing is added more often than anything else, and denominators grow with every product.
  if (isZero(b)) return a;
  if (isZero(a)) return b;
  if (inNumbers(a) && inNumbers(b)) {
    const alike = a.d === b.d;
    const x = alike ? a.n : a.n * b.d;
    const y = alike ? b.n : b.n * a.d;
    const d = alike ? a.d : a.d * b.d;
    const n = x + y;
    if (fits(x, d) && fits(y, d) && fits(n, d)) return { n, d };
    const shorter = alike ? null : sumOverLeast(a, b);
    if (shorter) return shorter;
  }
  const [p, q] = [inBigIntegers(a), inBigIntegers(b)];
  return p.d === q.d ? { n: p.n + q.n, d: p.d } : { n: p.n * q.d + q.n * p.d, d: p.d * q.d };
}

/** The sum over the least common denominator; null where doubles do not hold that either. */
function sumOverLeast(a: Fraction<number>, b: Fraction<number>): Fraction<number> | null {
  const shared = commonFactor(a.d, b.d);
  const [p, q] = [a.d / shared, b.d / shared];
  const [x, y, d] = [a.n * q, b.n * p, p * b.d];
  return fits(x, d) && fits(y, d) && fits(x + y, d) ? { n: x + y, d } : null;
}

/** The product with what cancels out of it left out; null where doubles do not hold that either. */
function productCancelled(a: Fraction<number>, b: Fraction<number>): Fraction<number> | null {
  const [x, y] = [commonFactor(Math.abs(a.n), b.d), commonFactor(Math.abs(b.n), a.d)];
  const [n, d] = [(a.n / x) * (b.n / y), (a.d / y) * (b.d / x)];
  return fits(n, d) ? { n: n + 0, d } : null;
}

/** @example addWhole({ n: 1, d: 2 }, 3) // 7/2 */
export function addWhole(a: Rational, by: number): Rational {
  if (inNumbers(a)) {
    const more = by * a.d;
    const n = a.n + more;
    if (fits(more, a.d) && fits(n, a.d)) return { n, d: a.d };
  }
  return add(a, whole(by));
}

export const negative = (a: Rational): Rational => (inNumbers(a) ? { n: 0 - a.n, d: a.d } : { n: -a.n, d: a.d });

export const subtract = (a: Rational, b: Rational): Rational => (isZero(b) ? a : add(a, negative(b)));

export function multiply(a: Rational, b: Rational): Rational {
  if (inNumbers(a) && inNumbers(b)) {
    const n = a.n * b.n;
    const d = a.d * b.d;
    if (fits(n, d)) return { n: n + 0, d };
    const shorter = productCancelled(a, b);
    if (shorter) return shorter;
  }
  const [p, q] = [inBigIntegers(a), inBigIntegers(b)];
  return { n: p.n * q.n, d: p.d * q.d };
}

/** @example timesWhole({ n: 1, d: 2 }, 3) // 3/2 */
export function timesWhole(a: Rational, by: number): Rational {
  if (inNumbers(a)) {
    const n = a.n * by;
    if (fits(n, a.d)) return { n: n + 0, d: a.d };
  }
  return multiply(a, whole(by));
}

/** Throws RangeError when `b` is zero. */
export function divide(a: Rational, b: Rational): Rational {
  if (isZero(b)) throw new RangeError("division by zero");
  const [by, of] = b.n < 0 ? [negative(b), negative(a)] : [b, a];
  return multiply(of, inNumbers(by) ? { n: by.d, d: by.n } : { n: by.d, d: by.n });
}

/** Negative when a < b, zero when equal, positive when a > b. */
export function compare(a: Rational, b: Rational): number {
  if (inNumbers(a) && inNumbers(b)) {
    const x = a.d === b.d ? a.n : a.n * b.d;
    const y = a.d === b.d ? b.n : b.n * a.d;
    // Rounding never turns around which of two products is more; only that they are the same may come of it.
    if (x !== y || fits(x, 1)) return order(x, y);
  }
  const [p, q] = [inBigIntegers(a), inBigIntegers(b)];
  const [x, y] = p.d === q.d ? [p.n, q.n] : [p.n * q.d, q.n * p.d];
  return order(x, y);
}

/** How a × b compares with c. @example compareProduct({ n: 1, d: 2 }, { n: 1, d: 3 }, { n: 1, d: 5 }) // −1 */
export function compareProduct(a: Rational, b: Rational, c: Rational): number {
  if (inNumbers(a) && inNumbers(b) && inNumbers(c)) {
    const x = a.n * b.n * c.d;
    const y = c.n * a.d * b.d;
    // Products of three are rounded twice.
    if (Math.abs(x - y) > (Math.abs(x) + Math.abs(y)) * ROUNDED) return order(x, y);
  }
  return compare(multiply(a, b), c);
}

const order = <Whole extends number | bigint>(x: Whole, y: Whole): number => (x < y ? -1 : x > y ? 1 : 0);
const ROUNDED = 2 ** -50;

/** Divides the common factor out, so that long sums keep small numbers. */
export function reduce(a: Rational): Rational {
  if (inNumbers(a)) {
    const x = commonFactor(Math.abs(a.n), a.d);
    return x <= 1 ? a : { n: a.n / x, d: a.d / x };
  }
  const x = commonFactorBig(a.n < 0n ? -a.n : a.n, a.d);
  return shrunk(x <= 1n ? a : { n: a.n / x, d: a.d / x });
}

/** The greatest of two numbers that are not below zero. @example commonFactor(12, 18) // 6 */
export function commonFactor(a: number, b: number): number {
  let [x, y] = [a, b];
  while (y !== 0) [x, y] = [y, x % y];
  return x;
}

/** The same of big integers. */
export function commonFactorBig(a: bigint, b: bigint): bigint {
  let [x, y] = [a, b];
  while (y !== 0n) [x, y] = [y, x % y];
  return x;
}

/** Which whole number it is, as near as a double comes to it; null where it is none. */
export function wholeNumber(a: Rational): number | null {
  if (!inNumbers(a)) return a.n % a.d === 0n ? Number(a.n / a.d) : null;
  const quotient = a.n / a.d;
  return Number.isInteger(quotient) ? quotient : null;
}

/** The whole number below, as near as a double comes to it. */
export function floor(a: Rational): number {
  if (inNumbers(a)) return Math.floor(a.n / a.d);
  const quotient = a.n / a.d;
  return Number(a.n < 0n && quotient * a.d !== a.n ? quotient - 1n : quotient);
}

/** The whole number above, as near as a double comes to it. */
export const ceil = (a: Rational): number => 0 - floor(negative(a));

/**
 * Rounds to the nearest whole number, halves away from zero: the one rounding rule for money here. As near as a double comes to it.
 *
 * @example roundHalfAway({ n: -5, d: 2 }) // -3
 */
export function roundHalfAway(a: Rational): number {
  if (inNumbers(a)) {
    const twice = 2 * Math.abs(a.n) + a.d;
    if (twice <= MOST_EXACT) {
      const rounded = Math.floor(twice / (2 * a.d));
      return a.n < 0 ? 0 - rounded : rounded;
    }
  }
  const { n, d } = inBigIntegers(a);
  const magnitude = n < 0n ? -n : n;
  const rounded = Number((2n * magnitude + d) / (2n * d));
  return n < 0n ? 0 - rounded : rounded;
}
