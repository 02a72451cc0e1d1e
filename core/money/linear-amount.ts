import {
  add,
  ceil,
  compare,
  divide,
  floor,
  multiply,
  ONE,
  type Rational,
  reduce,
  roundHalfAway,
  subtract,
  whole,
  ZERO,
} from "./rational.ts";

/**
 * An exact figure while goods are added one unit at a time: `at` here, `slope` more with every unit. A whole number that
 * stands still is a plain number, which most prices are. Rounding comes once, at the end: {@link rounded}.
 */
export type LinearAmount = number | Moving;
type Moving = { readonly at: Rational; readonly slope: Rational };

/**
 * How many more units can be added before some decision that was made turns out another way. Every comparison made
 * while a quote is computed tells it, so that the answer is known to stand over a whole stretch of carts.
 */
export class Horizon {
  units: number;
  constructor(units: number) {
    this.units = units;
  }
  limit(units: number): void {
    if (units < this.units) this.units = units;
  }
}

const moving = (amount: LinearAmount): Moving =>
  typeof amount === "number" ? { at: whole(amount), slope: ZERO } : amount;

/** @example linearAmount({ n: 49n, d: 10n }, ZERO) // 4.9, standing still */
export function linearAmount(at: Rational, slope: Rational): LinearAmount {
  if (slope.n !== 0n) return { at: reduce(at), slope: reduce(slope) };
  const lowest = reduce(at);
  const figure = Number(lowest.n);
  // Beyond whole numbers that a double holds exactly, the fraction stays.
  return lowest.d === 1n && Number.isSafeInteger(figure) ? figure : { at: lowest, slope: ZERO };
}

export function plus(a: LinearAmount, b: LinearAmount): LinearAmount {
  if (typeof a === "number" && typeof b === "number" && Number.isSafeInteger(a + b)) return a + b;
  const [x, y] = [moving(a), moving(b)];
  return linearAmount(add(x.at, y.at), add(x.slope, y.slope));
}

export function minus(a: LinearAmount, b: LinearAmount): LinearAmount {
  if (typeof a === "number" && typeof b === "number" && Number.isSafeInteger(a - b)) return a - b;
  const [x, y] = [moving(a), moving(b)];
  return linearAmount(subtract(x.at, y.at), subtract(x.slope, y.slope));
}

export function times(a: LinearAmount, by: Rational): LinearAmount {
  if (a === 0 || by.n === 0n) return 0;
  if (by.n === by.d) return a;
  if (typeof a === "number") {
    const product = a * Number(by.n);
    const quotient = product / Number(by.d);
    if (Number.isSafeInteger(product) && Number.isInteger(quotient)) return quotient;
  }
  const x = moving(a);
  return linearAmount(multiply(x.at, by), multiply(x.slope, by));
}

/** The figure in whole minor units: its one rounding, half away from zero. */
export function rounded(a: LinearAmount): number {
  return typeof a === "number" ? a : Number(roundHalfAway(a.at));
}

/** The slope, in figure per unit added. */
export const slopeOf = (a: LinearAmount): Rational => (typeof a === "number" ? ZERO : a.slope);
export const exactOf = (a: LinearAmount): Rational => (typeof a === "number" ? whole(a) : a.at);

/** Below, equal or above: negative, zero, positive. Tells the horizon how long that stands. */
export function compareAmounts(a: LinearAmount, b: LinearAmount, horizon: Horizon | null): number {
  if (typeof a === "number" && typeof b === "number") return a - b;
  const [x, y] = [moving(a), moving(b)];
  const sign = compare(x.at, y.at);
  if (horizon) {
    const slope = subtract(x.slope, y.slope);
    if (slope.n !== 0n) {
      if (sign === 0) horizon.limit(0);
      else if (sign > 0 !== slope.n > 0n) {
        const gap = subtract(x.at, y.at);
        horizon.limit(Number(ceil(divide(gap, { n: -slope.n, d: slope.d }))) - 1);
      }
    }
  }
  return sign;
}

export const min = (a: LinearAmount, b: LinearAmount, horizon: Horizon | null): LinearAmount =>
  compareAmounts(a, b, horizon) <= 0 ? a : b;
export const max = (a: LinearAmount, b: LinearAmount, horizon: Horizon | null): LinearAmount =>
  compareAmounts(a, b, horizon) >= 0 ? a : b;

/** A figure below which nothing goes: `a` less `b`, at least zero. */
export const lessAtLeastZero = (a: LinearAmount, b: LinearAmount, horizon: Horizon | null): LinearAmount =>
  max(minus(a, b), 0, horizon);

/** Rounds to a multiple of `step` whole units; the result stands still until the next one is due. */
export function toMultiple(
  a: LinearAmount,
  step: number,
  direction: "nearest" | "up" | "down",
  horizon: Horizon | null,
): number {
  const { at, slope } = moving(a);
  const inSteps = { at: divide(at, whole(step)), slope: divide(slope, whole(step)) };
  if (direction === "up") {
    const negated = { at: negative(inSteps.at), slope: negative(inSteps.slope) };
    return -Number(floorOf(negated, horizon)) * step || 0;
  }
  const shifted = direction === "down" ? inSteps : { ...inSteps, at: add(inSteps.at, { n: 1n, d: 2n }) };
  return Number(floorOf(shifted, horizon)) * step;
}

const negative = (a: Rational): Rational => ({ n: -a.n, d: a.d });

function floorOf({ at, slope }: Moving, horizon: Horizon | null): bigint {
  const below = floor(at);
  if (horizon && slope.n > 0n) {
    horizon.limit(Number(ceil(divide(subtract(add(whole(below), ONE), at), slope))) - 1);
  } else if (horizon && slope.n < 0n) {
    horizon.limit(Number(floor(divide(subtract(at, whole(below)), negative(slope)))));
  }
  return below;
}

/**
 * Whether `a` is less than `b` once both are rounded. While their exact difference lies between nothing and `slack`
 * rounding may decide either way with every unit, so that the answer stands for one unit only.
 *
 * @param slack how far rounding can carry the difference: 1 for two roundings
 */
export function lessWhenRounded(
  a: LinearAmount,
  b: LinearAmount,
  difference: number,
  slack: number,
  horizon: Horizon | null,
): boolean {
  if (horizon && (typeof a !== "number" || typeof b !== "number")) {
    const gap = minus(b, a);
    const still = slopeOf(a).n === 0n && slopeOf(b).n === 0n;
    const same = typeof gap === "number" && gap === 0 && slopeOf(a).n * slopeOf(b).d === slopeOf(b).n * slopeOf(a).d;
    if (!still && !same) {
      const [low, high] = [slack === 1 ? 0 : -slack, slack];
      if (compareAmounts(gap, high, null) >= 0) aboveUntil(gap, high, horizon);
      else if (compareAmounts(gap, low, null) <= 0) aboveUntil(minus(0, gap), -low, horizon);
      else horizon.limit(0);
    }
  }
  return difference > 0;
}

/** How long `a`, now at least `bound`, stays so. */
function aboveUntil(a: LinearAmount, bound: number, horizon: Horizon): void {
  const slope = slopeOf(a);
  if (slope.n >= 0n) return;
  horizon.limit(Number(floor(divide(subtract(exactOf(a), whole(bound)), negative(slope)))));
}
