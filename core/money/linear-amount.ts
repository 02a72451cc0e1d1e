import { signInCart } from "./in-cart.ts";
import {
  add,
  addWhole,
  ceil,
  compare,
  divide,
  floor,
  HALF,
  isZero,
  multiply,
  negative,
  ONE,
  type Rational,
  reduce,
  roundHalfAway,
  subtract,
  timesWhole,
  whole,
  wholeNumber,
  ZERO,
} from "./rational.ts";
import { type Moving, type Stairs, type StairsIn, stairsPlus, steadyFor, together } from "./stairs.ts";
import type { Claim, TurnsOut, Ways } from "./ways.ts";

/**
 * An exact figure while goods are added one unit at a time: `at` here, `slope` more with every unit, and what its stairs rise by. A
 * whole number that stands still is a plain number, which most prices are. Rounding comes once, at the end: {@link rounded}.
 */
export type LinearAmount = number | Moving;

/**
 * How many more units can be added before some decision that was made turns out another way. Every comparison made
 * while a quote is computed tells it, so that the answer is known to stand over a whole stretch of carts.
 */
export class Horizon {
  units: number;
  /** Whether decisions alone have to stand, so that prices may go up stairs meanwhile: see {@link Stairs}. */
  readonly pricesMayLeap: boolean;
  /** Which way what may be decided either way is decided; null where one cart alone is looked at. */
  readonly ways: Ways | null;
  constructor(units: number, pricesMayLeap = false, ways: Ways | null = null) {
    this.units = units;
    this.pricesMayLeap = pricesMayLeap;
    this.ways = ways;
  }
  /**
   * Takes a decision, which stands for so many more units. Below zero it does not even stand here: of many carts looked at together it is
   * so in some and not in others, and is taken one way now and another way later.
   *
   * @param claim what it comes to; or what follows for it from decisions before
   * @param turnsOut which way it is taken in each of them
   */
  settle(yes: boolean, units: number, claim: () => Claim | boolean | null, turnsOut?: TurnsOut): boolean {
    if (units >= 0 || !this.ways) {
      this.limit(units);
      return yes;
    }
    const claimed = claim();
    return typeof claimed === "boolean" ? claimed : this.ways.next(yes, claimed, turnsOut);
  }
  limit(units: number): void {
    if (units < this.units) this.units = units;
  }
  /** Begins to count for one answer alone. @returns what has been counted for the others, for {@link both} */
  alone(): number {
    const { units } = this;
    this.units = Number.POSITIVE_INFINITY;
    return units;
  }
  /** Counts for all again. @returns for how many more units the one answer stands */
  both(others: number): number {
    const { units } = this;
    this.limit(others);
    return units;
  }
  private stairs: Map<string, Stairs> | undefined;
  private names: Map<Stairs, number> | undefined;
  /** The same stairs for what goes up alike, so that differences know them for the same. */
  sharedStairs(key: string, make: () => Stairs): Stairs {
    this.stairs ??= new Map();
    const known = this.stairs.get(key) ?? make();
    this.stairs.set(key, known);
    return known;
  }
  /** A number that stairs alone have. */
  nameOf(stairs: Stairs): number {
    this.names ??= new Map();
    const known = this.names.get(stairs) ?? this.names.size;
    this.names.set(stairs, known);
    return known;
  }
}

/** The same with all there is to it. */
export const moving = (amount: LinearAmount): Moving =>
  typeof amount === "number" ? { at: whole(amount), slope: ZERO, stairs: null } : amount;

/** @example linearAmount({ n: 49, d: 10 }, ZERO) // 4.9, standing still */
export function linearAmount(at: Rational, slope: Rational, stairs: StairsIn = null): LinearAmount {
  if (!isZero(slope) || stairs) return { at: shortened(at), slope: shortened(slope), stairs };
  // Beyond whole numbers that a double holds exactly, the fraction stays.
  const figure = wholeNumber(at);
  if (figure !== null && Number.isSafeInteger(figure)) return figure;
  return { at: shortened(at), slope: ZERO, stairs };
}

const MINUS_ONE = whole(-1);
const LONG = 2n ** 256n;

/** Finding the lowest terms takes many times as long as reckoning with figures of some length. */
const shortened = (fraction: Rational): Rational =>
  typeof fraction.d === "number" || fraction.d < LONG ? fraction : reduce(fraction);

export function plus(a: LinearAmount, b: LinearAmount): LinearAmount {
  if (typeof a === "number") return typeof b === "number" ? sum(a, b) : shifted(b, a);
  if (typeof b === "number") return shifted(a, b);
  return linearAmount(add(a.at, b.at), add(a.slope, b.slope), stairsPlus(a.stairs, b.stairs));
}

export function minus(a: LinearAmount, b: LinearAmount): LinearAmount {
  if (typeof b === "number") return typeof a === "number" ? sum(a, -b) : shifted(a, -b);
  if (typeof a === "number")
    return shifted({ at: negative(b.at), slope: negative(b.slope), stairs: stairsPlus(null, b.stairs, MINUS_ONE) }, a);
  return linearAmount(
    subtract(a.at, b.at),
    subtract(a.slope, b.slope),
    b.stairs ? stairsPlus(a.stairs, b.stairs, MINUS_ONE) : a.stairs,
  );
}

const sum = (a: number, b: number): LinearAmount =>
  Number.isSafeInteger(a + b) ? a + b : linearAmount(add(whole(a), whole(b)), ZERO);

const shifted = ({ at, slope, stairs }: Moving, by: number): LinearAmount =>
  linearAmount(by === 0 ? at : addWhole(at, by), slope, stairs);

export const times = (a: LinearAmount, by: Rational): LinearAmount => (a === 0 ? 0 : timesBy(by)(a));

/** {@link times} for what is multiplied by the same again and again. @example timesBy({ n: 3, d: 5 })(490) // 294 */
export function timesBy(by: Rational): (a: LinearAmount) => LinearAmount {
  if (isZero(by)) return () => 0;
  if (by.n === by.d) return (a) => a;
  const [n, d] = [Number(by.n), Number(by.d)];
  return (a) => {
    if (a === 0) return 0;
    if (typeof a === "number") {
      const product = a * n;
      const quotient = product / d;
      if (Number.isSafeInteger(product) && Number.isInteger(quotient)) return quotient;
    }
    const x = moving(a);
    return linearAmount(multiply(x.at, by), multiply(x.slope, by), stairsPlus(null, x.stairs, by));
  };
}

/** The figure in whole minor units: its one rounding, half away from zero. */
export function rounded(a: LinearAmount): number {
  return typeof a === "number" ? a : roundHalfAway(a.at);
}

/** The same with half a unit more, so that its whole part is what it is rounded to, where it is not below nothing. */
export const halfMore = (amount: LinearAmount): Moving => ({ ...moving(amount), at: add(exactOf(amount), HALF) });

/** The slope, in figure per unit added; of what goes up stairs, between them. */
export const slopeOf = (a: LinearAmount): Rational => (typeof a === "number" ? ZERO : a.slope);
export const exactOf = (a: LinearAmount): Rational => (typeof a === "number" ? whole(a) : a.at);
/**
 * An amount after so many more units as it goes straight on, and for how many more it does. Throws RangeError where its stairs do not tell.
 */
export function straightAfter(
  a: LinearAmount,
  units: number,
): Pick<Moving, "at" | "slope"> & { readonly units: number } {
  const { at, slope, stairs } = moving(a);
  let sum = add(at, timesWhole(slope, units));
  let steady = Number.POSITIVE_INFINITY;
  for (const [{ after }, factor] of stairs ?? []) {
    const then = after?.(units);
    if (!then) throw new RangeError("what an amount comes to after more units is not told");
    sum = add(sum, timesWhole(factor, then.at));
    steady = Math.min(steady, then.steady);
  }
  return { at: sum, slope, units: steady };
}
export const stairsIn = (a: LinearAmount): StairsIn => (typeof a === "number" ? null : a.stairs);

/**
 * Whether `a` is no more than `b`. Tells the horizon how long that stands. Nothing is told of whether they are the same: that stands for
 * one unit alone where they cross.
 */
export function isAtMost(a: LinearAmount, b: LinearAmount, horizon: Horizon | null): boolean {
  if (typeof a === "number" && typeof b === "number") return a <= b;
  const gap = minus(b, a);
  if (typeof gap === "number") return gap >= 0;
  const { at, slope, stairs } = gap;
  const yes = at.n >= 0;
  // What stands still stays as it is.
  if (horizon && (stairs || !isZero(slope)))
    return horizon.settle(
      yes,
      yes ? aboveFor(gap, 0, true) : aboveFor(minus(0, gap), 0, false),
      () => claimOf(gap, 0, horizon),
      signInCart(gap),
    );
  return yes;
}

/** For how many more units an amount stands still. */
const stillFor = ({ slope, stairs }: Moving): number =>
  Math.min(isZero(slope) ? Number.POSITIVE_INFINITY : 0, steadyFor(stairs));

/**
 * For how many more units an amount that is above `bound`, or at it where that is enough, certainly stays so: by how it moves until
 * its stairs do, or by how far they can carry it. −1 where it is not even here.
 */
export function aboveFor(amount: LinearAmount, bound: number, atIsEnough: boolean): number {
  const { at, slope, stairs } = moving(amount);
  const room = subtract(at, whole(bound));
  const until = unitsAbove(room, slope, atIsEnough);
  if (!stairs) return until;
  const leaps = together(stairs);
  const sure = unitsAbove(subtract(room, leaps.below), add(slope, leaps.slope), atIsEnough);
  return Math.max(Math.min(until, steadyFor(stairs)), sure);
}

function unitsAbove(room: Rational, slope: Rational, atIsEnough: boolean): number {
  if (room.n < 0 || (isZero(room) && !atIsEnough)) return -1;
  if (slope.n >= 0) return Number.POSITIVE_INFINITY;
  const until = divide(room, negative(slope));
  return atIsEnough ? floor(until) : ceil(until) - 1;
}

export const min = (a: LinearAmount, b: LinearAmount, horizon: Horizon | null): LinearAmount =>
  isAtMost(a, b, horizon) ? a : b;
export const max = (a: LinearAmount, b: LinearAmount, horizon: Horizon | null): LinearAmount =>
  isAtMost(b, a, horizon) ? a : b;

/**
 * What is left of `a` less `b`, at least zero. Where prices may leap, so may this: which of the two goes up its stairs before the other
 * need not be settled as long as nobody compares what is left.
 */
export function lessAtLeastZero(a: LinearAmount, b: LinearAmount, horizon: Horizon | null): LinearAmount {
  const gap = minus(a, b);
  if (!horizon?.pricesMayLeap || typeof gap === "number" || !gap.stairs) return max(gap, 0, horizon);
  const { stairs } = gap;
  const above = compare(gap.at, ZERO) > 0;
  // What the next leap cannot turn is settled.
  const stands = aboveFor(above ? gap : minus(0, gap), 0, true);
  if (stands > Math.min(steadyFor(stairs), horizon.units)) {
    horizon.limit(stands);
    return above ? gap : 0;
  }
  const at = above ? gap.at : ZERO;
  // Where the same is left, it is known for the same.
  const one = horizon.sharedStairs(keyOf(gap.at, gap.slope, stairs, horizon), () => {
    const leaps = together(stairs);
    const slope = reduce(add(gap.slope, leaps.slope));
    const under = subtract(at, gap.at);
    const steady = stillFor(gap);
    const madeOf = { kind: "left", of: gap, than: at } as const;
    return slope.n > 0
      ? { slope, below: add(leaps.below, under), above: add(leaps.above, under), steady, madeOf }
      : { slope: ZERO, below: at, above: leaps.above, steady, madeOf };
  });
  return linearAmount(at, ZERO, new Map([[one, ONE]]));
}

/** The lesser of two prices, which may leap as they do: see {@link lessAtLeastZero}. */
export const lesser = (a: LinearAmount, b: LinearAmount, horizon: Horizon | null): LinearAmount =>
  horizon?.pricesMayLeap && (stairsIn(a) ?? stairsIn(b)) !== null
    ? minus(a, lessAtLeastZero(a, b, horizon))
    : min(a, b, horizon);

/** That an amount is `least` or more, as a claim about what moves in it: the same for an amount and what is left when that is taken off. */
export function claimOf(amount: LinearAmount, least: number, horizon: Horizon): Claim | null {
  if (typeof amount === "number") return null;
  const { at, slope, stairs } = amount;
  const room = subtract(whole(least), at);
  const [first = slope] = [...(stairs ?? [])]
    .sort(([a], [b]) => horizon.nameOf(a) - horizon.nameOf(b))
    .map(([, factor]) => factor);
  if ((isZero(slope) ? first : slope).n >= 0)
    return { about: keyOf(ZERO, slope, stairs, horizon), is: "at-least", mark: room };
  const turned = keyOf(ZERO, negative(slope), stairsPlus(null, stairs, MINUS_ONE), horizon);
  return { about: turned, is: "at-most", mark: negative(room) };
}

/** The same text for amounts that are the same now and later. */
function keyOf(at: Rational, slope: Rational, stairs: StairsIn, horizon: Horizon): string {
  const figure = (fraction: Rational) => {
    const { n, d } = reduce(fraction);
    return `${n}/${d}`;
  };
  const each = [...(stairs ?? [])].map(([one, factor]) => `${horizon.nameOf(one)}*${figure(factor)}`);
  return [figure(at), figure(slope), ...each.sort()].join(" ");
}

/** Rounds to a multiple of `step` whole units; the result stands still until the next one is due. */
export function toMultiple(
  a: LinearAmount,
  step: number,
  direction: "nearest" | "up" | "down",
  horizon: Horizon | null,
): LinearAmount {
  const { at, slope, stairs } = moving(a);
  const inSteps = { at: divide(at, whole(step)), slope: divide(slope, whole(step)) };
  const up = direction === "up";
  const shifted = up
    ? { at: negative(inSteps.at), slope: negative(inSteps.slope) }
    : direction === "down"
      ? inSteps
      : { ...inSteps, at: add(inSteps.at, HALF) };
  const below = floor(shifted.at) * step;
  const multiple = (up ? -below : below) || 0;
  if (!horizon || (isZero(slope) && !stairs)) return multiple;
  const steady = Math.min(sameFloorFor(shifted), steadyFor(stairs));
  if (!horizon.pricesMayLeap) {
    horizon.limit(steady);
    return multiple;
  }
  // Rounded, it is less than a step away from what is rounded, now and later.
  const one = horizon.sharedStairs(`${keyOf(at, slope, stairs, horizon)} ${direction} ${step}`, () => {
    const leaps = together(stairs);
    return {
      slope: reduce(add(slope, leaps.slope)),
      below: add(leaps.below, whole(step)),
      above: add(leaps.above, whole(step)),
      steady,
    };
  });
  return linearAmount(whole(multiple), ZERO, new Map([[one, ONE]]));
}

/** For how many more units the whole part stays the same. */
function sameFloorFor({ at, slope }: Pick<Moving, "at" | "slope">): number {
  const below = whole(floor(at));
  if (slope.n > 0) return ceil(divide(subtract(add(below, ONE), at), slope)) - 1;
  return slope.n < 0 ? floor(divide(subtract(at, below), negative(slope))) : Number.POSITIVE_INFINITY;
}
