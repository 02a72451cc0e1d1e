/** An exact fraction; the denominator is positive. Not always in lowest terms: use {@link compare} to compare. */
export type Rational = { readonly n: bigint; readonly d: bigint };

export const ZERO: Rational = { n: 0n, d: 1n };
export const ONE: Rational = { n: 1n, d: 1n };

export function whole(value: number | bigint): Rational {
  return { n: BigInt(value), d: 1n };
}

export function add(a: Rational, b: Rational): Rational {
  // Nothing is added more often than anything else, and denominators grow with every product.
  if (b.n === 0n) return a;
  if (a.n === 0n) return b;
  if (a.d === b.d) return { n: a.n + b.n, d: a.d };
  if (b.d === 1n) return { n: a.n + b.n * a.d, d: a.d };
  return a.d === 1n ? { n: a.n * b.d + b.n, d: b.d } : { n: a.n * b.d + b.n * a.d, d: a.d * b.d };
}

export function subtract(a: Rational, b: Rational): Rational {
  return b.n === 0n ? a : add(a, { n: -b.n, d: b.d });
}

export function multiply(a: Rational, b: Rational): Rational {
  return { n: a.n * b.n, d: a.d * b.d };
}

/** Throws RangeError when `b` is zero. */
export function divide(a: Rational, b: Rational): Rational {
  if (b.n === 0n) throw new RangeError("division by zero");
  return b.n < 0n ? { n: -a.n * b.d, d: a.d * -b.n } : { n: a.n * b.d, d: a.d * b.n };
}

/** Negative when a < b, zero when equal, positive when a > b. */
export function compare(a: Rational, b: Rational): number {
  const [x, y] = a.d === b.d ? [a.n, b.n] : [a.n * b.d, b.n * a.d];
  return x < y ? -1 : x > y ? 1 : 0;
}

/** Divides the common factor out, so that long sums keep small numbers. */
export function reduce(a: Rational): Rational {
  let x = a.n < 0n ? -a.n : a.n;
  let y = a.d;
  while (y !== 0n) [x, y] = [y, x % y];
  return x <= 1n ? a : { n: a.n / x, d: a.d / x };
}

export function floor(a: Rational): bigint {
  const quotient = a.n / a.d;
  return a.n < 0n && quotient * a.d !== a.n ? quotient - 1n : quotient;
}

export function ceil(a: Rational): bigint {
  return -floor({ n: -a.n, d: a.d });
}

/**
 * Rounds to the nearest whole number, halves away from zero: the one rounding rule for money here.
 *
 * @example roundHalfAway({ n: -5n, d: 2n }) // -3n
 */
export function roundHalfAway(a: Rational): bigint {
  const magnitude = a.n < 0n ? -a.n : a.n;
  const rounded = (2n * magnitude + a.d) / (2n * a.d);
  return a.n < 0n ? -rounded : rounded;
}
