import type { ReadCart, ReadLine } from "../cart/read-cart.ts";
import { Horizon, type LinearAmount, linearAmount, minus, plus } from "../money/linear-amount.ts";
import { add, ceil, fraction, multiply, ONE, timesWhole, whole, ZERO } from "../money/rational.ts";
import type { Stairs } from "../money/stairs.ts";
import { type Facts, type LineFigure, nextNumber } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";
import type { Tariff } from "../tariff/tariff.ts";
import {
  alikeKey,
  begunFor,
  type CartGrowth,
  cartAfter,
  countAt,
  growthOf,
  type LongRun,
  longRunOf,
  nextCrossing,
  nextTurn,
  pathOf,
} from "./cart-growth.ts";
import { type Along, type Evaluation, Memo, type Terms } from "./evaluation.ts";
import { begunPast, cartWithout, goodsLeft, goodsOf, lineReaches } from "./goods-counted.ts";
import { type Kept, KeptAnswers } from "./kept.ts";
import { EvaluatedCart, evaluate } from "./one-cart.ts";

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
  return new GrowingCart(growth, units, horizon);
}

/** Nobody is asked to add more filler than this many units. */
export const FURTHEST = 2 ** 40;

/**
 * A cart with so much filler, for whom only decisions have to stand: prices may go up stairs. Whoever asks after as many units gets the
 * same, with what is worked out already, and is told of every decision that was made of it.
 */
export function evaluateFiller(growth: CartGrowth, units: number): Evaluation {
  const known = growth.evaluated.get(units) ?? evaluateAlong(growth, units, FURTHEST, new Horizon(FURTHEST, true));
  growth.evaluated.set(units, known);
  return known;
}

/** A cart to which so many units, one at least, have been added, as it is then: nobody is told how long anything stands. */
export const evaluateAfter = (growth: CartGrowth, units: number): Evaluation => new GrownCart(growth, units);

class GrownCart extends EvaluatedCart {
  private readonly growth: CartGrowth;
  private readonly units: number;
  constructor(growth: CartGrowth, units: number) {
    super(growth, cartAfter(growth, units), undefined, growth.linesAs);
    this.growth = growth;
    this.units = units;
  }
  protected override find(measure: number): number | null {
    return countAt(this.growth, measure, this.units);
  }
}

class GrowingCart implements Evaluation, Along {
  readonly number = nextNumber();
  readonly tariff: Tariff;
  readonly facts: Facts;
  readonly unknownAs: boolean;
  readonly lines: readonly ReadLine[];
  readonly linesAs: number;
  readonly horizon: Horizon;
  readonly memo: Memo;
  readonly along = this;
  readonly kept: KeptAnswers;
  readonly units: number;
  private readonly growth: CartGrowth;
  private readonly line: ReadLine;
  private readonly counts: (number | null | undefined)[];
  constructor(growth: CartGrowth, units: number, horizon: Horizon) {
    this.tariff = growth.tariff;
    this.facts = growth.facts;
    this.unknownAs = growth.unknownAs;
    this.line = growth.lineAt(units);
    this.lines = [...growth.before.lines, this.line];
    this.linesAs = growth.linesAs;
    this.horizon = horizon;
    this.kept = growth.kept;
    this.memo = new Memo(growth.tariff);
    this.counts = new Array(growth.tariff.measures.length);
    this.growth = growth;
    this.units = units;
  }
  keep<T>(answers: Kept<T>, number: number, answer: T, more: number): T {
    const { length } = this.growth;
    // The whole line is not like the parts of it.
    const left = length === null ? more : this.units < length ? Math.min(more, length - 1 - this.units) : 0;
    answers.keep(number, answer, this.units, this.units + left);
    return answer;
  }
  count(measure: number): number | null {
    const known = this.counts[measure];
    if (known !== undefined) return known;
    const found = countAt(this.growth, measure, this.units);
    this.counts[measure] = found;
    return found;
  }
  reaches(measure: number, least: number): Truth {
    const found = this.count(measure);
    const reached = found === null ? null : found >= least;
    const path = pathOf(this.growth, measure);
    // Most counts stand still, or are past what is asked about for good.
    if (path.kind === "still" || (path.kind === "even" && reached)) return reached;
    const turn = nextCrossing(this.growth, measure, least, this.units);
    if (turn !== null) this.horizon.limit(turn - this.units - 1);
    return reached;
  }
  moving(measure: number): LinearAmount | null {
    const { growth, units, horizon } = this;
    const found = this.count(measure);
    const path = pathOf(growth, measure);
    if (found === null || path.kind === "still") return found;
    const turn = nextTurn(growth, measure, units);
    if (turn !== null) horizon.limit(turn - units - 1);
    if (path.kind === "stepped") return found;
    if (path.kind === "even") return linearAmount(whole(found), whole(path.slope));
    // Values and weights are rounded with every unit; whoever needs a value exactly asks for `goods`.
    horizon.limit(0);
    return found;
  }
  begun(measure: number, start: number, unit: number): LinearAmount {
    const { growth, units, horizon } = this;
    const begun = begunPast(this.count(measure), start, unit);
    const steady = begunFor(growth, measure, { begun, start, unit }, units);
    const path = horizon.pricesMayLeap && begun > 0 ? longRunOf(growth, measure, units) : null;
    if (path) {
      const alike = alikeKey(growth, measure);
      const make = () => stairsOf(path, unit, steady);
      const stairs = alike === null ? make() : horizon.sharedStairs(`${alike} ${start} ${unit}`, make);
      return linearAmount(whole(begun), ZERO, new Map([[stairs, ONE]]));
    }
    horizon.limit(steady);
    return begun;
  }
  goods(counts: (line: ReadLine) => boolean): LinearAmount {
    const { growth, horizon, line } = this;
    const { before } = growth;
    const still = goodsOf(before.lines, counts);
    const worth = line.shelf - line.discount;
    if (!counts(line) || growth.moves === "weight")
      return goodsLeft(before, plus(still, counts(line) ? worth : 0), horizon);
    const each = growth.moves === "quantity" ? line.unitPrice : 1;
    const grown = plus(still, linearAmount(whole(worth), whole(each)));
    // As the line grows so does its discount, by leaps.
    const { next } = growth;
    return goodsLeft(before, next?.discount ? minus(grown, this.discountMore(next)) : grown, horizon);
  }
  private discountMore({ discount, shelf }: ReadLine): LinearAmount {
    const { growth, units, horizon, line } = this;
    const after = (more: number) => {
      const at = growth.lineAt(units + more).discount;
      const turn = lineTurn(growth, "discount", at + 1) ?? Number.POSITIVE_INFINITY;
      return { at: at - line.discount, steady: turn - units - more - 1 };
    };
    const leaps = horizon.sharedStairs("discount", () => ({
      slope: fraction(discount, shelf),
      below: ONE,
      above: ONE,
      steady: after(0).steady,
      after,
    }));
    return linearAmount(ZERO, ZERO, new Map([[leaps, ONE]]));
  }
  lineReaches(one: ReadLine, figure: LineFigure, least: number): Truth {
    const reached = lineReaches(one, figure, least);
    const turn = one === this.line && reached === false ? lineTurn(this.growth, figure, least) : null;
    if (turn !== null) this.horizon.limit(Math.max(0, turn - this.units - 1));
    return reached;
  }
  without(goods: (line: ReadLine) => boolean): Evaluation {
    const before: ReadCart = cartWithout(this.growth.before, goods);
    // Where the goods that are added go too, nothing is left that moves.
    return goods(this.line) ? evaluate(this, before) : this.at(growthOf(this.growth, before));
  }
  anew({ facts = this.facts, unknownAs = this.unknownAs }: Partial<Pick<Terms, "facts" | "unknownAs">>): Evaluation {
    return this.at({ ...this.growth, facts, unknownAs, kept: new KeptAnswers(), evaluated: new Map() });
  }
  private at(growth: CartGrowth): Evaluation {
    return new GrowingCart(growth, this.units, this.horizon);
  }
}

const stairsOf = ({ slope, stray }: LongRun, unit: number, steady: number): Stairs => {
  const each = fraction(1, unit);
  const most = add(multiply(stray, each), ONE);
  return { slope: multiply(slope, each), below: most, above: most, steady };
};

/** The number of units at which a figure of the line that grows, less than `least` now, is so much; null: never. */
function lineTurn({ moves, next }: CartGrowth, figure: LineFigure, least: number): number | null {
  if (figure === "discount")
    // Part of a line carries its share of the discount, rounded down.
    return next && next.discount >= least ? ceil(timesWhole(fraction(next.shelf, next.discount), least)) : null;
  return figure === moves ? least : null;
}
