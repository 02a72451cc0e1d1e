import type { ReadCart, ReadLine } from "../cart/read-cart.ts";
import { counted, type Measure } from "../measures/measure.ts";
import { exactOf, Horizon, type LinearAmount, linearAmount, max, minus, plus, times } from "../money/linear-amount.ts";
import { add, compare, multiply, ONE, whole, ZERO } from "../money/rational.ts";
import type { Stairs } from "../money/stairs.ts";
import type { Facts, LineFigure, Situation } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";
import {
  alikeKey,
  type CartGrowth,
  countAt,
  type LongRun,
  longRunOf,
  nextCrossing,
  nextTurn,
  pathOf,
} from "./cart-growth.ts";
import { type Evaluation, emptyMemo, type Terms } from "./evaluation.ts";

/** One cart as it is, in one tariff. */
export const evaluate = (terms: Terms, cart: ReadCart): Evaluation => {
  const { tariff, facts, unknownAs } = terms;
  // Nobody else has the situation, so it need not be copied.
  return Object.assign(situationOf(tariff.measures, facts, cart, unknownAs), {
    tariff,
    memo: emptyMemo(),
    without: (goods: (line: ReadLine) => boolean) => evaluate(terms, cartWithout(cart, goods)),
  });
};

const cartWithout = (cart: ReadCart, goods: (line: ReadLine) => boolean): ReadCart => ({
  ...cart,
  lines: cart.lines.filter((line) => !goods(line)),
});

/** One cart as it is, for measures of any tariff. */
export function situationOf(measures: readonly Measure[], facts: Facts, cart: ReadCart, unknownAs: boolean): Situation {
  const counts: (number | null | undefined)[] = [];
  const count = (number: number): number | null => {
    const known = counts[number];
    if (known !== undefined) return known;
    const measure = measures[number];
    const found = measure ? counted(measure, cart, facts.distances) : null;
    counts[number] = found;
    return found;
  };
  return {
    facts,
    lines: cart.lines,
    unknownAs,
    horizon: null,
    count,
    reaches: (measure, least) => {
      const found = count(measure);
      return found === null ? null : found >= least;
    },
    moving: count,
    begun: (measure, start, unit) => begunPast(count(measure), start, unit),
    goods: (counts) => goodsLeft(cart, goodsOf(cart.lines, counts), null),
    lineReaches: (line, figure, least) => lineReaches(line, figure, least),
  };
}

/**
 * A cart to which goods are being added: the same as one cart, but every decision made about it tells the horizon how
 * many more units could be added before it would turn out another way.
 *
 * @param units one at least
 * @param most how far anyone asks
 */
export function evaluateAlong(
  growth: CartGrowth,
  units: number,
  mostUnits: number,
  horizon = new Horizon(mostUnits),
): Evaluation {
  if (growth.length !== null) horizon.limit(units < growth.length ? growth.length - 1 - units : 0);
  const line = growth.lineAt(units);
  const counts: (number | null | undefined)[] = [];
  const count = (measure: number): number | null => {
    const known = counts[measure];
    if (known !== undefined) return known;
    const found = countAt(growth, measure, units);
    counts[measure] = found;
    return found;
  };
  const cart = { ...growth.before, lines: [...growth.before.lines, line] };
  return {
    facts: growth.facts,
    lines: cart.lines,
    unknownAs: growth.unknownAs,
    horizon,
    count,
    reaches: (measure, least) => {
      const found = count(measure);
      const turn = nextCrossing(growth, measure, least, units);
      if (turn !== null) horizon.limit(turn - units - 1);
      return found === null ? null : found >= least;
    },
    moving: (measure) => {
      const found = count(measure);
      const path = pathOf(growth, measure);
      if (found === null || path.kind === "still") return found;
      const turn = nextTurn(growth, measure, units);
      if (turn !== null) horizon.limit(turn - units - 1);
      if (path.kind === "stepped") return found;
      if (path.kind === "even") return linearAmount(whole(found), whole(path.slope));
      // Values and weights are rounded with every unit; whoever needs a value exactly asks for `goods`.
      horizon.limit(0);
      return found;
    },
    begun: (measure, start, unit) => {
      const begun = begunPast(count(measure), start, unit);
      const turns = [start + begun * unit + 1, ...(begun > 0 ? [start + (begun - 1) * unit + 1] : [])];
      const steady = Math.min(
        ...turns.map((least) => (nextCrossing(growth, measure, least, units) ?? Infinity) - units - 1),
      );
      const path = horizon.pricesMayLeap && begun > 0 ? longRunOf(growth, measure, units) : null;
      if (path) {
        const alike = alikeKey(growth, measure);
        const make = () => stairsOf(path, unit, steady);
        const stairs = alike === null ? make() : horizon.sharedStairs(`${alike} ${start} ${unit}`, make);
        return linearAmount(whole(begun), ZERO, new Map([[stairs, ONE]]));
      }
      horizon.limit(steady);
      return begun;
    },
    goods: (counts) => {
      const still = goodsOf(growth.before.lines, counts);
      const worth = line.shelf - line.discount;
      if (!counts(line) || growth.moves === "weight")
        return goodsLeft(cart, plus(still, counts(line) ? worth : 0), horizon);
      const each = growth.moves === "quantity" ? line.unitPrice : 1;
      const discount = lineTurn(growth, "discount", line.discount + 1);
      if (discount !== null) horizon.limit(discount - units - 1);
      return goodsLeft(cart, plus(still, linearAmount(whole(worth), whole(each))), horizon);
    },
    lineReaches: (one, figure, least) => {
      const reached = lineReaches(one, figure, least);
      const turn = one === line && reached === false ? lineTurn(growth, figure, least) : null;
      if (turn !== null) horizon.limit(Math.max(0, turn - units - 1));
      return reached;
    },
    tariff: growth.tariff,
    memo: emptyMemo(),
    without: (goods) => {
      const before = cartWithout(growth.before, goods);
      // Where the goods that are added go too, nothing is left that moves.
      return goods(line)
        ? evaluate(growth, before)
        : evaluateAlong({ ...growth, before, paths: [] }, units, mostUnits, horizon);
    },
  };
}

/** Units begun past `start`; none of what is not known. */
const begunPast = (count: number | null, start: number, unit: number): number =>
  count !== null && count > start ? Math.ceil((count - start) / unit) : 0;

const stairsOf = ({ slope, stray }: LongRun, unit: number, steady: number): Stairs => {
  const each = { n: 1n, d: BigInt(unit) };
  const most = add(multiply(stray, each), ONE);
  return { slope: multiply(slope, each), below: most, above: most, steady };
};

const goodsOf = (lines: readonly ReadLine[], counts: (line: ReadLine) => boolean): number =>
  lines.reduce((sum, line) => sum + (counts(line) ? line.shelf - line.discount : 0), 0);

/** Order discounts in closed form, taken from the goods asked about. */
function goodsLeft({ discounts }: ReadCart, goods: LinearAmount, horizon: Horizon | null): LinearAmount {
  if (!discounts) return goods;
  return max(minus(times(goods, discounts.kept), linearAmount(discounts.off, ZERO)), 0, horizon);
}

/** The number of units at which a figure of the line that grows, less than `least` now, is so much; null: never. */
function lineTurn({ moves, next }: CartGrowth, figure: LineFigure, least: number): number | null {
  if (figure === "discount")
    // Part of a line carries its share of the discount, rounded down.
    return next && next.discount >= least
      ? Number((BigInt(least) * BigInt(next.shelf) + BigInt(next.discount) - 1n) / BigInt(next.discount))
      : null;
  return figure === moves ? least : null;
}

function lineReaches(line: ReadLine, figure: LineFigure, least: number): Truth {
  if (figure !== "weight") return line[figure] >= least;
  return line.weight === null ? null : compare(exactOf(line.weight), whole(least)) >= 0;
}
