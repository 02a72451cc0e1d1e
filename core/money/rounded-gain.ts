import { firstInRange } from "./first-in-range.ts";
import { gainInCart } from "./gain-in-cart.ts";
import {
  aboveFor,
  claimOf,
  exactOf,
  type Horizon,
  halfMore,
  type LinearAmount,
  minus,
  plus,
  rounded,
  slopeOf,
  stairsIn,
} from "./linear-amount.ts";
import { inOneSize } from "./one-size.ts";
import { type Paid, type Side, sidesOf } from "./paid.ts";
import { isZero, MOST_EXACT, type Rational } from "./rational.ts";
import { steadyFor } from "./stairs.ts";
import { wholeAlong } from "./whole-along.ts";

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
    return horizon.settle(
      gains,
      standsFor(after, before, gains, horizon.units),
      () => gainDecided(after, before, horizon),
      gainInCart(after, before),
    );
  return gains;
}

/** What follows for it from what has been decided about their exact difference; null: nothing does. */
function gainDecided(after: Paid, before: Paid, horizon: Horizon): boolean | null {
  const gap = minus(minus(before.price, before.off), minus(after.price, after.off));
  const isSure = (amount: LinearAmount, least: number): boolean => {
    const claim = claimOf(amount, least, horizon);
    return claim !== null && horizon.ways?.known(claim) === true;
  };
  // Each amount that is not on both sides is rounded, by a half at most.
  const isOnDelivery = minus(after.off, before.off) === 0;
  if (isSure(gap, isOnDelivery ? 1 : 2)) return true;
  return isSure(minus(0, gap), isOnDelivery ? 0 : 2) ? false : null;
}

function standsFor(after: Paid, before: Paid, gains: boolean, most: number): number {
  const { less, more } = sidesOf(after, before);
  const [one, other] = [roundedTogether(...less), roundedTogether(...more)];
  return one !== null && other !== null ? lessFor(one, other, gains, most) : lessWithOrderFor(less, more, gains, most);
}

/** Two amounts as one that is rounded to what they come to when each is rounded by itself; null where there is none. */
const roundedTogether = (a: LinearAmount, b: LinearAmount): LinearAmount | null =>
  typeof a === "number" || typeof b === "number" ? plus(a, b) : null;

const moves = (amount: LinearAmount): boolean => !isZero(slopeOf(amount)) || stairsIn(amount) !== null;
const steadyAll = (most: number, ...amounts: LinearAmount[]): number =>
  Math.min(most, ...amounts.map((amount) => steadyFor(stairsIn(amount))));

/** For how many more units, of `most`, one price stays less than another, or does not: both are rounded in one direction. */
function lessFor(after: LinearAmount, before: LinearAmount, gains: boolean, most: number): number {
  const gap = minus(before, after);
  const sure = gains ? aboveFor(gap, 1, true) : aboveFor(minus(0, gap), 0, true);
  if (sure > 0) return sure;
  const steady = steadyAll(most, before, after);
  // What is not known even here may be rounded either way.
  if (steady < 0) return sure;
  // Until the gap is nothing or one there is less in favour exactly where a whole figure lies between the two.
  const figures = [halfMore(before), halfMore(after)] as const;
  const near = between(figures, NEAR);
  let far: typeof near | undefined;
  const isBetween = (k: number): boolean => {
    if (k <= NEAR) return near(k);
    far ??= between(figures, Number.POSITIVE_INFINITY);
    return far(k);
  };
  const mayTurn = mayTurnFrom(after, gap, gains);
  let units = 0;
  for (let looked = 0; looked < LOOKED_AT && units < steady; looked += 1) {
    // The gap as wide, or as narrow, as it gets over twice as far: no unit before the one found can turn.
    const end = Math.min(steady, Math.max(2 * units, units + 64));
    const next = mayTurn(units + 1, end);
    if (next <= end && isBetween(next) !== gains) return next - 1;
    units = Math.min(next, end);
  }
  return units;
}

type Along = { readonly at: Rational; readonly slope: Rational };

/** Whether a whole figure lies between two, after so many units of `most`. */
function between(figures: readonly [Along, Along], most: number): (units: number) => boolean {
  const { wholes } = wholeAlong(figures, most);
  const [upper = nothing, lower = nothing] = wholes;
  return (k) => upper(k) > lower(k);
}

const nothing = () => 0;

/**
 * The first unit of a stretch at which a whole figure may begin, or cease, to lie between two prices; `end` + 1 where none can. Found by
 * what is left of `after` past its whole part, against the gap at its widest, or narrowest; where doubles do not hold that, any may.
 */
function mayTurnFrom(after: LinearAmount, gap: LinearAmount, gains: boolean): (from: number, end: number) => number {
  const { at, slope } = halfMore(after);
  const sized = inOneSize([at, slope, exactOf(gap), slopeOf(gap)]);
  if (sized.kind === "big") return (from) => from;
  const { parts, size } = sized;
  const [start = 0, step = 0, room = 0, closing = 0] = parts;
  return (from, end) => {
    const one = room + closing * from;
    const other = room + closing * end;
    if (Math.max(Math.abs(one), Math.abs(other)) > MOST_EXACT) return from;
    const widest = gains ? Math.min(one, other) : Math.max(one, other);
    const edge = Math.max(0, Math.min(size, size - widest));
    const here = within(start + productWithin(step, from, size), size);
    const turn = firstPast(here, within(step, size), edge, size, !gains);
    return turn === null ? end + 1 : Math.min(end + 1, from + turn);
  };
}

const within = (part: number, size: number): number => ((part % size) + size) % size;

const productWithin = (part: number, times: number, size: number): number =>
  Math.abs(part * times) <= MOST_EXACT
    ? within(part * times, size)
    : within(Number((BigInt(part) * BigInt(times)) % BigInt(size)), size);

/** The least k ≥ 0 at which `start` + k × `step`, less as many `size` as go into it, is `edge` or more, or less than that; null: never. */
function firstPast(start: number, step: number, edge: number, size: number, orMore: boolean): number | null {
  const low = orMore ? edge : 0;
  const high = orMore ? size - 1 : edge - 1;
  if (low > high) return null;
  if (start >= low && start <= high) return 0;
  return firstInRange(step, size, within(low - start, size), within(high - start, size));
}

/** The same where several figures of a side are rounded, each in its own direction. */
function lessWithOrderFor(less: Side, more: Side, gains: boolean, most: number): number {
  const gap = minus(plus(...more), plus(...less));
  const sure = aboveFor(gains ? gap : minus(0, gap), 2, true);
  if (sure > 0) return sure;
  const steady = steadyAll(Math.min(most, LOOKED_AT), ...less, ...more);
  if (steady < 0) return sure;
  const gainsAfter = roundedGains(less, more, LOOKED_AT);
  for (let k = 1; k <= steady; k += 1) if (gainsAfter(k) !== gains) return k - 1;
  return steady;
}

/** Whether less is paid after so many units, `most` at most, where each amount is rounded by itself. */
function roundedGains(less: Side, more: Side, most: number): (units: number) => boolean {
  // Halves are rounded away from zero, and no amount is below nothing.
  const along = wholeAlong([...more, ...less].map(halfMore), most);
  return along.kind === "doubles"
    ? (k) => {
        const [a = 0, b = 0, c = 0, d = 0] = along.wholes.map((one) => one(k));
        return a + b > c + d;
      }
    : (k) => {
        const [a = 0n, b = 0n, c = 0n, d = 0n] = along.wholes.map((one) => one(k));
        return a + b > c + d;
      };
}
