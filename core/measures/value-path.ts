import { discountOn, type OrderDiscounts } from "../cart/order-discount.ts";
import {
  add,
  ceil,
  compare,
  divide,
  multiply,
  ONE,
  type Rational,
  reduce,
  roundHalfAway,
  subtract,
  whole,
  ZERO,
} from "../money/rational.ts";

/** A line's own discount, spread over its value so that part of a line carries its share, rounded down. */
export type LineDiscount = { readonly amount: bigint; readonly of: bigint };

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
    readonly goods: bigint;
    readonly discounts: OrderDiscounts;
    readonly lineDiscount: LineDiscount | null;
  } | null;
};

/** The measure in minor units after `y` units were added: one rounding of the exact sum. */
export function valueAt(path: ValuePath, y: number): number {
  return Number(roundHalfAway(exactAt(path, BigInt(y))));
}

function exactAt(path: ValuePath, y: bigint): Rational {
  const counted = countedAt(path, y);
  if (!path.order) return counted;
  const goods = goodsAt(path.order, y);
  return multiply(counted, share(goodsLeft(goods, path.order.discounts), goods));
}

const lessDiscount = (y: bigint, discount: LineDiscount | null) =>
  discount ? y - (discount.amount * y) / discount.of : y;

const countedAt = (path: ValuePath, y: bigint): Rational => {
  const { start, rate } = path;
  const added = lessDiscount(y, path.lineDiscount);
  return { n: start.n * rate.d + rate.n * added * start.d, d: start.d * rate.d };
};

const goodsAt = (order: NonNullable<ValuePath["order"]>, y: bigint) =>
  order.goods + lessDiscount(y, order.lineDiscount);

const goodsLeft = (goods: bigint, discounts: OrderDiscounts) => goods - discountOn(goods, discounts);

/** Nothing can be taken off an order worth nothing. */
const share = (left: bigint, goods: bigint): Rational => (goods === 0n ? whole(1) : { n: left, d: goods });

/**
 * Every y in 1..length at which "value(y) is at least `least`" differs from what it was at y − 1, ascending.
 * `length` null: on and on, or for goods that do not count up to {@link LOOKED_AHEAD} where it never settles.
 *
 * Counted goods, goods and what discounts leave of them never fall along a path, which bounds the value over a
 * stretch; stretches whose bounds settle the question are passed over, the others are halved.
 */
export const crossings = (path: ValuePath, least: number, length: number | null): number[] => [
  ...turnsAfter(path, least, 0, length),
];

/** The first of the {@link crossings} after `units`; null when there is none. */
export function firstCrossing(path: ValuePath, least: number, units: number, length: number | null): number | null {
  for (const turn of turnsAfter(path, least, units, length)) return turn;
  return null;
}

function* turnsAfter(path: ValuePath, least: number, units: number, length: number | null): Generator<number> {
  if (!path.order && !path.lineDiscount) {
    yield* turnOf(path, least, length).filter((turn) => turn > units);
    return;
  }
  const holds = (y: bigint) => roundHalfAway(exactAt(path, y)) >= BigInt(least);
  const target = { n: 2n * BigInt(least) - 1n, d: 2n };
  const [begin, end] = [BigInt(units), BigInt(length ?? endOfTurns(path, least))];
  // Where it turns by and large, most of what lies before and after is settled at once.
  const about = turnAbout(path, least);
  const within = (y: bigint) => (y < begin ? begin : y > end ? end : y);
  const [low, high] = about === null ? [begin, begin] : [within(about - CLOSE), within(about + CLOSE)];
  yield* search(begin, low);
  yield* search(low, high);
  yield* search(high, end);

  function* search(from: bigint, to: bigint): Generator<number> {
    if (from >= to) return;
    if (to - from === 1n) {
      if (holds(from) !== holds(to)) yield Number(to);
      return;
    }
    if (settled(path, from, to, target)) return;
    const middle = (from + to) / 2n;
    yield* search(from, middle);
    yield* search(middle, to);
  }
}

/** Without discounts the value only rises: it turns once at most. */
function turnOf({ start, rate }: ValuePath, least: number, length: number | null): number[] {
  const short = subtract({ n: 2n * BigInt(least) - 1n, d: 2n }, start);
  if (short.n <= 0n || rate.n <= 0n) return [];
  const turn = Number(ceil(divide(short, rate)));
  return length === null || turn <= length ? [turn] : [];
}

/** So near to where a value turns by and large, it may turn because of rounding. */
const CLOSE = 4n;

/** Where a value turns if nothing is rounded, as near as a double comes to it; null where it does not. */
function turnAbout({ start, rate, lineDiscount, order }: ValuePath, least: number): bigint | null {
  const real = ({ n, d }: Rational) => Number(n) / Number(d);
  const kept = (discount: LineDiscount | null) => 1 - (discount ? Number(discount.amount) / Number(discount.of) : 0);
  const [value, each, goal] = [real(start), real(rate) * kept(lineDiscount), least - 0.5];
  const found = order ? withOrder(order) : (goal - value) / each;
  return Number.isFinite(found) && found > 0 ? BigInt(Math.round(found)) : null;

  /** (value + each × y) × (part × g − off) = goal × g, where the goods g are those of now and `more` × y. */
  function withOrder({ goods: now, discounts, lineDiscount: discount }: NonNullable<ValuePath["order"]>): number {
    const [goods, part, off, more] = [Number(now), real(discounts.kept), real(discounts.off), kept(discount)];
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
function settled(path: ValuePath, from: bigint, to: bigint, target: Rational): boolean {
  const countedLow = countedAt(path, from);
  const countedHigh = countedAt(path, to);
  if (!path.order) return compare(countedHigh, target) < 0 || compare(countedLow, target) >= 0;
  const { discounts } = path.order;
  const [goodsLow, goodsHigh] = [goodsAt(path.order, from), goodsAt(path.order, to)];
  if (goodsLow === 0n) return compare(countedHigh, target) < 0;
  const isBelow = (most: Rational) => compare(multiply(countedHigh, most), target) < 0;
  const isAbove = (least: Rational) => compare(multiply(countedLow, least), target) >= 0;
  // Over a short stretch: what is left of the goods never falls.
  const [leftLow, leftHigh] = [goodsLeft(goodsLow, discounts), goodsLeft(goodsHigh, discounts)];
  if (isBelow(share(leftHigh < goodsLow ? leftHigh : goodsLow, goodsLow)) || isAbove(share(leftLow, goodsHigh)))
    return true;
  // Over a long one: what is left is kept × goods − off, a half more or less: of the goods that is a part that tends to `kept`.
  const { kept, off } = discounts;
  const less = 2n * off.n - off.d;
  const most = part(kept, { n: less, d: 2n * off.d }, less < 0n ? goodsLow : goodsHigh);
  if (isBelow(most.n < 0n ? ZERO : most.n > most.d ? ONE : most)) return true;
  const least = part(kept, { n: 2n * off.n + off.d, d: 2n * off.d }, goodsLow);
  return least.n > 0n && isAbove(least);
}

/** `kept` less so much of the goods. */
const part = (kept: Rational, off: Rational, goods: bigint): Rational => ({
  n: kept.n * off.d * goods - off.n * kept.d,
  d: kept.d * off.d * goods,
});

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
  const goods = goodsAt(order, BigInt(y));
  if (compare(multiply(kept, whole(goods)), off) <= 0) return null;
  const part = divide(countedAt(path, BigInt(y)), whole(goods));
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
export function settledFrom({ start, order }: ValuePath, least: number): number | null {
  if (!order) return 0;
  const { goods, discounts } = order;
  // What is left of the goods is kept × goods − off, a half more or less: the value tends to start × kept.
  const gap = subtract(multiply(start, discounts.kept), { n: 2n * BigInt(least) - 1n, d: 2n });
  if (gap.n === 0n) return start.n === 0n ? 0 : null;
  const stray = multiply(start, { n: 2n * discounts.off.n + discounts.off.d, d: 2n * discounts.off.d });
  const far = ceil(divide(stray, gap.n > 0n ? gap : { n: -gap.n, d: gap.d }));
  return Number(far > goods ? far - goods : 0n) + 1;
}

/** A y from which the value is at least `least` for good, or, when it never will be, from which nothing turns. */
function endOfTurns(path: ValuePath, least: number): number {
  if (path.rate.n <= 0n) return settledFrom(path, least) ?? LOOKED_AHEAD;
  const target = { n: 2n * BigInt(least) - 1n, d: 2n };
  if (!path.order) {
    const short = subtract(target, path.start);
    return short.n <= 0n ? 0 : Number(ceil(divide(short, path.rate)));
  }
  const { goods, discounts } = path.order;
  if (discounts.kept.n === 0n) return 1;
  let y = 1n;
  while (!reachedForGood()) y *= 2n;
  return Number(y);

  function reachedForGood(): boolean {
    // What is left of the goods is at least kept × goods − off − 1/2, so its share of them only grows from here on.
    const lost = divide({ n: 2n * discounts.off.n + discounts.off.d, d: 2n * discounts.off.d }, whole(goods + y));
    const leastShare = subtract(discounts.kept, lost);
    return leastShare.n > 0n && compare(multiply(countedAt(path, y), leastShare), target) >= 0;
  }
}
