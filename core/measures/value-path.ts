import { discountOn, type OrderDiscounts } from "../cart/order-discount.ts";
import {
  add,
  ceil,
  compare,
  compareProduct,
  divide,
  floor,
  fraction,
  HALF,
  isZero,
  MOST_EXACT,
  multiply,
  negative,
  ONE,
  type Rational,
  reduce,
  roundHalfAway,
  subtract,
  timesWhole,
  whole,
  ZERO,
} from "../money/rational.ts";

/** A line's own discount, spread over its value so that part of a line carries its share, rounded down. */
export type LineDiscount = { readonly amount: number; readonly of: number };

/** @example discountOfPart(5, { amount: 3, of: 10 }) // 1 */
export const discountOfPart = (y: number, { amount, of }: LineDiscount): number =>
  amount * y <= MOST_EXACT ? Math.floor((amount * y) / of) : floor(timesWhole(fraction(amount, of), y));

/**
 * A value measure while goods are added one minor unit at a time: `y` units of one kind on top of what is there.
 *
 *   value(y) = round( (start + rate × added(y)) × left(goods + taken(y)) / (goods + taken(y)) )
 *
 * where `added` and `taken` are y less its share of the line's discount, and `left` is what order discounts leave.
 * `start` counts the lines already there, tax applied, unrounded; `rate` is what one added unit counts (0 for goods
 * that do not count). Without order discounts in the basis the fraction is 1.
 */
export type ValuePath = {
  readonly start: Rational;
  readonly rate: Rational;
  readonly lineDiscount: LineDiscount | null;
  readonly order: {
    readonly goods: number;
    readonly discounts: OrderDiscounts;
    readonly lineDiscount: LineDiscount | null;
  } | null;
};

/** The measure in minor units after `y` units were added: one rounding of the exact sum. */
export const valueAt = (path: ValuePath, y: number): number => roundHalfAway(exactAt(path, y));

function exactAt(path: ValuePath, y: number): Rational {
  const counted = countedAt(path, y);
  if (!path.order) return counted;
  const goods = goodsAt(path.order, y);
  return multiply(counted, share(goodsLeft(goods, path.order.discounts), goods));
}

const lessDiscount = (y: number, discount: LineDiscount | null) => (discount ? y - discountOfPart(y, discount) : y);

const countedAt = ({ start, rate, lineDiscount }: ValuePath, y: number): Rational =>
  add(start, timesWhole(rate, lessDiscount(y, lineDiscount)));

const goodsAt = (order: NonNullable<ValuePath["order"]>, y: number) =>
  order.goods + lessDiscount(y, order.lineDiscount);

const goodsLeft = (goods: number, discounts: OrderDiscounts) => goods - discountOn(goods, discounts);

/** Nothing can be taken off an order worth nothing. */
const share = (left: number, goods: number): Rational => (goods === 0 ? ONE : { n: left, d: goods });

/** What is rounded to `least` is at least so much. */
export const roundedTo = (least: number): Rational => subtract(whole(least), HALF);

/**
 * The first y after `units`, up to length, at which "value(y) is at least `least`" differs from what it was at y − 1; null when there is none.
 * `length` null: on and on, or for goods that do not count up to {@link LOOKED_AHEAD} where it never settles.
 *
 * Counted goods, goods and what discounts leave of them never fall along a path, which bounds the value over a
 * stretch; stretches whose bounds settle the question are passed over, the others are halved.
 */
export function firstCrossing(path: ValuePath, least: number, units: number, length: number | null): number | null {
  if (turnsOnce(path)) {
    const turn = turnOf(path, least);
    return turn !== null && turn > units && (length === null || turn <= length) ? turn : null;
  }
  const target = roundedTo(least);
  const holds = reaches(path, least);
  /** The first turn past `from`, up to `to`. */
  const firstIn = (from: number, to: number): number | null => {
    if (from >= to) return null;
    if (to - from <= FEW) {
      const before = holds(from);
      for (let y = from + 1; y <= to; y += 1) if (holds(y) !== before) return y;
      return null;
    }
    if (settled(path, from, to, target)) return null;
    const middle = Math.floor((from + to) / 2);
    return firstIn(from, middle) ?? firstIn(middle, to);
  };
  // Where it turns by and large, most of what lies before and after is settled at once.
  const about = turnAbout(path, least);
  const end = length ?? endOfTurns(path, target, about);
  const within = (y: number) => Math.max(units, Math.min(end, y));
  const [low, high] = about === null ? [units, units] : [within(about.low), within(about.high)];
  return firstIn(units, low) ?? firstIn(low, high) ?? firstIn(high, end);
}

/**
 * The least y, one at least, from which on value(y) is at least `least` for good; null where it never is. Looked for from the end, as far as
 * {@link firstCrossing} looks.
 */
export function forGoodFrom(path: ValuePath, least: number, length: number | null): number | null {
  if (turnsOnce(path)) {
    const turn = turnOf(path, least);
    if (turn === null) return valueAt(path, 1) >= least ? 1 : null;
    return length === null || turn <= length ? turn : null;
  }
  const target = roundedTo(least);
  const holds = reaches(path, least);
  const about = turnAbout(path, least);
  const end = length ?? endOfTurns(path, target, about);
  if (!holds(Math.max(1, end))) return null;
  /** The last y from `from` to `to` at which it is less, where it is so much at `to`. */
  const lastLess = (from: number, to: number): number | null => {
    if (to - from > FEW) {
      if (settled(path, from, to, target)) return null;
      const middle = Math.floor((from + to) / 2);
      return lastLess(middle, to) ?? lastLess(from, middle);
    }
    for (let y = to; y >= from; y -= 1) if (!holds(y)) return y;
    return null;
  };
  const within = (y: number) => Math.max(1, Math.min(end, y));
  const [low, high] = about === null ? [1, 1] : [within(about.low), within(about.high)];
  const last = lastLess(high, end) ?? lastLess(low, high) ?? lastLess(1, low);
  return last === null ? 1 : last + 1;
}

const turnsOnce = ({ order, lineDiscount }: ValuePath): boolean => !order && !lineDiscount;

/** So few are tried one by one. */
const FEW = 12;

/** Whether the value is at least so much, told in doubles where they are sure of it. */
function reaches(path: ValuePath, least: number): (y: number) => boolean {
  const { order, lineDiscount } = path;
  const [start, rate, goal] = [real(path.start), real(path.rate), least - 0.5];
  return (y) => {
    const counted = start + rate * lessDiscount(y, lineDiscount);
    const goods = order ? goodsAt(order, y) : 0;
    const value = order && goods > 0 ? (counted * goodsLeft(goods, order.discounts)) / goods : counted;
    return Math.abs(value - goal) > SURE * (1 + goal) ? value > goal : valueAt(path, y) >= least;
  };
}

/** By far more than doubles are off. */
const SURE = 2 ** -40;

const real = ({ n, d }: Rational): number => Number(n) / Number(d);

/** Without discounts the value only rises: it turns once at most. */
function turnOf({ start, rate }: ValuePath, least: number): number | null {
  const short = subtract(roundedTo(least), start);
  return short.n <= 0 || rate.n <= 0 ? null : ceil(divide(short, rate));
}

/** Where a value turns if nothing is rounded, as near as a double comes to it, and as far around as rounding may carry that. */
type About = { readonly low: number; readonly high: number };

/** Null where it does not turn. */
function turnAbout({ start, rate, lineDiscount, order }: ValuePath, least: number): About | null {
  const kept = (discount: LineDiscount | null) => 1 - (discount ? discount.amount / discount.of : 0);
  const [value, each, goal] = [real(start), real(rate) * kept(lineDiscount), least - 0.5];
  const found = order ? withOrder(order) : (goal - value) / each;
  const close = 2 + Math.ceil(strayAt(found) / (order ? each * real(order.discounts.kept) : each));
  if (!(found > 0 && Number.isFinite(found + close))) return null;
  return { low: Math.round(found) - close, high: Math.round(found) + close };

  /** What the order loses is a half more or less, of which the goods that count have their part. */
  function strayAt(y: number): number {
    const isEven = order && !lineDiscount && !order.lineDiscount;
    return isEven ? (value + each * y) / (2 * (order.goods + y)) : 2;
  }

  /** (value + each × y) × (part × g − off) = goal × g, where the goods g are those of now and `more` × y. */
  function withOrder({ goods, discounts, lineDiscount: discount }: NonNullable<ValuePath["order"]>): number {
    const [part, off, more] = [real(discounts.kept), real(discounts.off), kept(discount)];
    const left = part * goods - off;
    const [a, b, c] = [
      each * part * more,
      value * part * more + each * left - goal * more,
      value * left - goal * goods,
    ];
    return a > 0 ? (Math.sqrt(b * b - 4 * a * c) - b) / (2 * a) : -c / b;
  }
}

/** Whether the value stays on one side of `target` from `from` to `to`; false when the bounds cannot tell. */
function settled(path: ValuePath, from: number, to: number, target: Rational): boolean {
  const countedLow = countedAt(path, from);
  const countedHigh = countedAt(path, to);
  if (!path.order) return compare(countedHigh, target) < 0 || compare(countedLow, target) >= 0;
  const { discounts } = path.order;
  const [goodsLow, goodsHigh] = [goodsAt(path.order, from), goodsAt(path.order, to)];
  if (goodsLow === 0) return compare(countedHigh, target) < 0;
  const isBelow = (most: Rational) => compareProduct(countedHigh, most, target) < 0;
  const isAbove = (least: Rational) => compareProduct(countedLow, least, target) >= 0;
  // Over a short stretch: what is left of the goods never falls.
  const [leftLow, leftHigh] = [goodsLeft(goodsLow, discounts), goodsLeft(goodsHigh, discounts)];
  if (isBelow(share(leftHigh < goodsLow ? leftHigh : goodsLow, goodsLow)) || isAbove(share(leftLow, goodsHigh)))
    return true;
  // Over a long one: what is left is kept × goods − off, a half more or less: of the goods that is a part that tends to `kept`.
  const { kept, off } = discounts;
  const least = subtract(off, HALF);
  const most = keptLess(kept, least, least.n < 0 ? goodsLow : goodsHigh);
  if (isBelow(most.n < 0 ? ZERO : compare(most, ONE) > 0 ? ONE : most)) return true;
  const sure = keptLess(kept, add(off, HALF), goodsLow);
  return sure.n > 0 && isAbove(sure);
}

/** `kept` less so much of the goods. */
const keptLess = (kept: Rational, off: Rational, goods: number): Rational => subtract(kept, divide(off, whole(goods)));

/**
 * What a value does in the long run from `y` on: `slope` with every unit, never further from that than `stray`. Null where order
 * discounts take all there is, or part of a line carries its share of a discount.
 *
 * What is left of the goods is kept × goods − off, a half more or less, and the counted part of the goods tends steadily to `rate`.
 */
export function longRun(path: ValuePath, y: number): { readonly slope: Rational; readonly stray: Rational } | null {
  const { rate, order } = path;
  if (path.lineDiscount || order?.lineDiscount) return null;
  if (!order) return { slope: rate, stray: whole(1) };
  const { kept, off } = order.discounts;
  const goods = goodsAt(order, y);
  if (compare(timesWhole(kept, goods), off) <= 0) return null;
  const part = divide(countedAt(path, y), whole(goods));
  const [less, more] = compare(part, rate) < 0 ? [part, rate] : [rate, part];
  return {
    slope: reduce(multiply(kept, rate)),
    stray: reduce(add(multiply(off, subtract(more, less)), add(more, whole(1)))),
  };
}

/** Beyond so many units nobody has looked where a value turns for ever: see {@link settledFrom}. */
export const LOOKED_AHEAD = 4096;

/**
 * A y from which goods that do not count move a value past `least` no more, though their share of a discount does; null where it
 * turns for ever: half of an odd sum is rounded up with every other unit.
 */
export function settledFrom({ start, order }: ValuePath, target: Rational): number | null {
  if (!order) return 0;
  const { goods, discounts } = order;
  // What is left of the goods is kept × goods − off, a half more or less: the value tends to start × kept.
  const gap = subtract(multiply(start, discounts.kept), target);
  if (isZero(gap)) return isZero(start) ? 0 : null;
  const stray = multiply(start, add(discounts.off, HALF));
  const far = ceil(divide(stray, gap.n > 0 ? gap : negative(gap)));
  return Math.max(0, far - goods) + 1;
}

/** Beyond any cart, and exact in a double. */
const FURTHEST = 2 ** 51;

/**
 * A y from which the value is at least `target` for good, or, when it never will be, from which nothing turns.
 *
 * @param about where it turns by and large
 */
function endOfTurns(path: ValuePath, target: Rational, about: About | null): number {
  if (path.rate.n <= 0) return settledFrom(path, target) ?? LOOKED_AHEAD;
  if (!path.order) {
    const short = subtract(target, path.start);
    return short.n <= 0 ? 0 : ceil(divide(short, path.rate));
  }
  const { goods, discounts } = path.order;
  if (isZero(discounts.kept)) return 1;
  const mostLost = add(discounts.off, HALF);
  // What is left of the goods is at least kept × goods − off − 1/2, so its share of them only grows from here on.
  const reachedForGood = (y: number): boolean => {
    const leastShare = keptLess(discounts.kept, mostLost, goods + y);
    return leastShare.n > 0 && compareProduct(countedAt(path, y), leastShare, target) >= 0;
  };
  let y = about?.high ?? 1;
  for (let further = y - (about?.low ?? 0); y < FURTHEST && !reachedForGood(y); further *= 2) y += further;
  return y;
}
