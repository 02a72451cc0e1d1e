import { firstInRange } from "./first-in-range.ts";
import {
  aboveFor,
  exactOf,
  type Horizon,
  type LinearAmount,
  minus,
  plus,
  rounded,
  slopeOf,
  stairsIn,
} from "./linear-amount.ts";
import { add, compare, multiply, type Rational, subtract, whole } from "./rational.ts";
import { steadyFor } from "./stairs.ts";
import { wholeAlong } from "./whole-along.ts";

/** What a shopper pays: each amount is rounded by itself, what comes off the order too. */
export type Paid = { readonly price: LinearAmount; readonly off: LinearAmount };

/** Where rounding decides, so many places are looked at; the answer stands up to the last of them at least. */
const LOOKED_AT = 200;
/** Most places that are looked at are no more units away. */
const NEAR = 2 ** 16;

/**
 * Whether `after` is less than `before` once all is rounded. How long that stands is told by their exact difference while it is more
 * than rounding can carry, and else by where rounding turns it.
 *
 * @example paysLess({ price: 490, off: 0 }, { price: 590, off: 0 }, null) // true
 */
export function paysLess(after: Paid, before: Paid, horizon: Horizon | null): boolean {
  const gains = rounded(before.price) - rounded(before.off) - (rounded(after.price) - rounded(after.off)) > 0;
  if (horizon && [before.price, before.off, after.price, after.off].some(moves))
    horizon.limit(standsFor(after, before, gains, horizon.units));
  return gains;
}

function standsFor(after: Paid, before: Paid, gains: boolean, most: number): number {
  // What is the same on both sides is rounded alike.
  const [price, fullPrice] = minus(after.price, before.price) === 0 ? [0, 0] : [after.price, before.price];
  const [off, fullOff] = minus(after.off, before.off) === 0 ? [0, 0] : [after.off, before.off];
  const less = roundedTogether(price, fullOff);
  const more = roundedTogether(fullPrice, off);
  return less !== null && more !== null
    ? lessFor(less, more, gains, most)
    : lessWithOrderFor([price, fullOff], [fullPrice, off], gains, most);
}

/** Two amounts as one that is rounded to what they come to when each is rounded by itself; null where there is none. */
const roundedTogether = (a: LinearAmount, b: LinearAmount): LinearAmount | null =>
  typeof a === "number" || typeof b === "number" ? plus(a, b) : null;

const moves = (amount: LinearAmount): boolean => slopeOf(amount).n !== 0n || stairsIn(amount) !== null;
const steadyAll = (most: number, ...amounts: LinearAmount[]): number =>
  Math.min(most, ...amounts.map((amount) => steadyFor(stairsIn(amount))));

/** For how many more units, of `most`, one price stays less than another, or does not: both are rounded in one direction. */
function lessFor(after: LinearAmount, before: LinearAmount, gains: boolean, most: number): number {
  const gap = minus(before, after);
  const sure = gains ? aboveFor(gap, 1, true) : aboveFor(minus(0, gap), 0, true);
  if (sure > 0) return sure;
  const steady = steadyAll(most, before, after);
  const [at, slope] = [add(exactOf(after), HALF), slopeOf(after)];
  const [room, closing] = [exactOf(gap), slopeOf(gap)];
  // Until the gap is nothing or one there is less in favour exactly where a whole figure lies between the two.
  const figures = [
    { at: add(at, room), slope: add(slope, closing) },
    { at, slope },
  ];
  const near = wholeAlong(figures, NEAR).wholes;
  let far: ReturnType<typeof wholeAlong>["wholes"] | undefined;
  const between = (k: number): boolean => {
    far ??= k <= NEAR ? undefined : wholeAlong(figures, Number.POSITIVE_INFINITY).wholes;
    const [upper, lower] = k <= NEAR ? near : (far ?? near);
    return upper !== undefined && lower !== undefined && upper(k) > lower(k);
  };
  let units = 0;
  for (let looked = 0; looked < LOOKED_AT && units < steady; looked += 1) {
    // The gap as wide, or as narrow, as it gets over twice as far: no unit before the one found can turn.
    const end = Math.min(steady, Math.max(2 * units, units + 64));
    const gapAt = (k: number) => add(room, multiply(closing, whole(k)));
    const [one, other] = [gapAt(units + 1), gapAt(end)];
    const widest = compare(one, other) > 0 === !gains ? one : other;
    const turn = firstPast(add(at, multiply(slope, whole(units + 1))), slope, subtract(ONE_WHOLE, widest), !gains);
    const next = turn === null ? end + 1 : Math.min(end + 1, units + 1 + turn);
    if (next <= end && between(next) !== gains) return next - 1;
    units = Math.min(next, end);
  }
  return units;
}

const HALF: Rational = { n: 1n, d: 2n };
const ONE_WHOLE: Rational = { n: 1n, d: 1n };

/** The least k ≥ 0 at which the part of `at` + k × `slope` after the point is `edge` or more, or less than that; null: never. */
function firstPast(at: Rational, slope: Rational, edge: Rational, orMore: boolean): number | null {
  const modulus = at.d * slope.d * edge.d;
  const inUnits = ({ n, d }: Rational) => (((n * (modulus / d)) % modulus) + modulus) % modulus;
  const [start, step] = [inUnits(at), inUnits(slope)];
  const split = edge.n <= 0n ? 0n : edge.n >= edge.d ? modulus : edge.n * (modulus / edge.d);
  const [low, high] = orMore ? [split, modulus - 1n] : [0n, split - 1n];
  if (low > high) return null;
  if (start >= low && start <= high) return 0;
  const [from, to] = [(low - start + modulus) % modulus, (high - start + modulus) % modulus];
  const found = firstInRange(step, modulus, from, to);
  return found === null ? null : Number(found);
}

/** The same where several figures of a side are rounded, each in its own direction. */
function lessWithOrderFor(
  less: readonly [LinearAmount, LinearAmount],
  more: readonly [LinearAmount, LinearAmount],
  gains: boolean,
  most: number,
): number {
  const gap = minus(plus(...more), plus(...less));
  const sure = aboveFor(gains ? gap : minus(0, gap), 2, true);
  if (sure > 0) return sure;
  const steady = steadyAll(Math.min(most, LOOKED_AT), ...less, ...more);
  // Halves are rounded away from zero, and no amount is below nothing.
  const halfMore = [...more, ...less].map((amount) => ({ at: add(exactOf(amount), HALF), slope: slopeOf(amount) }));
  const along = wholeAlong(halfMore, LOOKED_AT);
  const gainsAfter =
    along.kind === "doubles"
      ? (k: number) => {
          const [a = 0, b = 0, c = 0, d = 0] = along.wholes.map((one) => one(k));
          return a + b > c + d;
        }
      : (k: number) => {
          const [a = 0n, b = 0n, c = 0n, d = 0n] = along.wholes.map((one) => one(k));
          return a + b > c + d;
        };
  for (let k = 1; k <= steady; k += 1) if (gainsAfter(k) !== gains) return k - 1;
  return steady;
}
