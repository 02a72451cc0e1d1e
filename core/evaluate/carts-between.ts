import type { ReadLine } from "../cart/read-cart.ts";
import { counted } from "../measures/measure.ts";
import { type Horizon, type LinearAmount, linearAmount } from "../money/linear-amount.ts";
import { add, ceil, compare, fraction, multiply, ONE, whole, ZERO } from "../money/rational.ts";
import type { Stairs } from "../money/stairs.ts";
import type { About } from "../money/ways.ts";
import { type Facts, type LineFigure, nextNumber } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";
import type { Tariff } from "../tariff/tariff.ts";
import {
  alikeKey,
  type CartGrowth,
  countAt,
  crossing,
  growthOf,
  type LongRun,
  longRunOf,
  nextCrossing,
  pathOf,
  staysFor,
} from "./cart-growth.ts";
import { type Along, type Evaluation, Memo, type Terms } from "./evaluation.ts";
import type { Figures, Goods } from "./figures-between.ts";
import { begunPast, cartWithout, goodsLeft, goodsOf, lineReaches } from "./goods-counted.ts";
import { type Kept, KeptAnswers } from "./kept.ts";

/** Filler added to each of some carts that are alike but for how much of one line they hold: to that with the least, and with the most. */
export type Between = { readonly least: CartGrowth; readonly most: CartGrowth };

/** The same with what has been asked about them so far. */
export type GrowthBetween = Between & { readonly figures: Figures };

/** How far rounding may carry a count from rising with every unit of the line. */
function strayOf({ tariff, before }: CartGrowth, number: number): number {
  const measure = tariff.measures[number];
  if (measure?.kind !== "value" || !measure.value.takenOff(before)) return 0;
  // What is left of the goods is a half more or less than its even share of them, and so is each rounding.
  const rates = [null, ...before.lines.map(({ taxRate }) => taxRate)];
  const most = rates.map(measure.value.taxed).reduce((a, b) => (compare(a, b) < 0 ? b : a));
  return 1 + ceil(most);
}

/** So many whole units of a measure. */
export type Reached = { readonly measure: number; readonly least: number };

/** The least filler with which any of the carts may have reached so much; null: none ever does. */
export function mayReachFrom({ most }: Between, { measure, least }: Reached): number | null {
  const sure = least - strayOf(most, measure);
  return (countAt(most, measure, 1) ?? -1) >= sure ? 1 : nextCrossing(most, measure, sure, 1);
}

/** The least filler from which on each of the carts has reached so much for good; null: one of them may never have. */
export const mustReachBy = ({ least: cart }: Between, { measure, least }: Reached): number | null =>
  crossing(cart, measure, least + strayOf(cart, measure));

/**
 * All carts between two with so much filler, for whom what is decided has to be the same in each, or is taken either way.
 *
 * @param units one at least
 * @param horizon whose prices may leap, and with ways
 * @param met what all of them are taken to have reached
 */
export const evaluateBetween = (
  growth: GrowthBetween,
  units: number,
  horizon: Horizon,
  met: Reached | null,
): Evaluation => new CartsBetween(growth, units, horizon, met);

class CartsBetween implements Evaluation, Along {
  readonly number = nextNumber();
  readonly tariff: Tariff;
  readonly facts: Facts;
  readonly unknownAs: boolean;
  readonly lines: readonly ReadLine[];
  readonly linesAs: number;
  readonly horizon: Horizon;
  readonly memo: Memo;
  readonly along = this;
  readonly kept = new KeptAnswers();
  /** Of filler; with none of it nothing grows. */
  readonly units: number;
  private readonly growth: GrowthBetween;
  private readonly line: ReadLine | null;
  private readonly met: Reached | null;
  /** The goods that are left out of it. */
  private readonly left: readonly Goods[];
  constructor(
    growth: GrowthBetween,
    units: number,
    horizon: Horizon,
    met: Reached | null,
    left: readonly Goods[] = [],
  ) {
    const { least } = growth;
    this.tariff = least.tariff;
    this.facts = least.facts;
    this.unknownAs = least.unknownAs;
    this.line = units > 0 ? least.lineAt(units) : null;
    this.lines = this.line ? [...least.before.lines, this.line] : least.before.lines;
    this.linesAs = least.linesAs;
    this.horizon = horizon;
    this.memo = new Memo(least.tariff);
    this.growth = growth;
    this.units = units;
    this.met = met;
    this.left = left;
  }
  keep<T>(answers: Kept<T>, number: number, answer: T, more: number): T {
    answers.keep(number, answer, this.units, this.units + more);
    return answer;
  }
  count(measure: number): number | null {
    return this.countIn(this.growth.least, measure);
  }
  private countIn(cart: CartGrowth, number: number): number | null {
    if (this.line) return countAt(cart, number, this.units);
    const measure = this.tariff.measures[number];
    return measure ? counted(measure, cart.before, this.facts.distances) : null;
  }
  /** For how many more units it stays as it is whether one of the carts has reached so much. */
  private staysIn(cart: CartGrowth, measure: number, least: number): number {
    return this.line ? staysFor(cart, measure, least, this.units) : Number.POSITIVE_INFINITY;
  }
  reaches(measure: number, least: number): Truth {
    const { growth, horizon, met } = this;
    const [fewest, most] = [this.count(measure), this.countIn(growth.most, measure)];
    if (fewest === null || most === null) return null;
    if (met && met.measure === measure && met.least === least) return true;
    const stray = strayOf(growth.least, measure);
    if (most < least - stray) {
      horizon.limit(this.staysIn(growth.most, measure, least - stray));
      return false;
    }
    horizon.limit(this.staysIn(growth.least, measure, least + stray));
    return fewest >= least + stray || this.settle(true, this.nameOf(measure), least);
  }
  /** How what is about a measure of these goods is called. */
  private nameOf(measure: number): About {
    const { left, line, growth } = this;
    return left.length === 0
      ? measure
      : growth.figures.nameOf({ kind: "measure", measure, left, isFilled: line !== null });
  }
  /** Decides whether a figure is so much, which it is in some of the carts and not in others. */
  private settle(yes: boolean, about: About, least: number): boolean {
    const { horizon, units } = this;
    return horizon.settle(
      yes,
      -1,
      () => ({ about, is: "at-least", mark: whole(least) }),
      (cart, more) => cart.reaches(about, least, units + more),
    );
  }
  moving(measure: number): LinearAmount | null {
    const { least, most } = this.growth;
    const found = this.count(measure);
    if (found === null) return null;
    if (found === this.countIn(most, measure)) {
      if (!this.line) return found;
      const [path, other] = [pathOf(least, measure), pathOf(most, measure)];
      if (path.kind === "still" && other.kind === "still") return found;
      if (path.kind === "even" && other.kind === "even") return linearAmount(whole(found), whole(path.slope));
    }
    this.horizon.limit(-1);
    return found;
  }
  begun(measure: number, start: number, unit: number): LinearAmount {
    const { growth, units, horizon, line } = this;
    const { least, most } = growth;
    const stray = strayOf(least, measure);
    let here = begunPast(this.count(measure), start, unit);
    let fewest = begunPast((this.count(measure) ?? 0) - stray, start, unit);
    const highest = begunPast((this.countIn(most, measure) ?? 0) + stray, start, unit);
    if (fewest === 0 && highest > 0) {
      if (!this.settle(here > 0, this.nameOf(measure), start + 1)) return 0;
      [here, fewest] = [Math.max(1, here), 1];
    }
    const steady =
      fewest === highest
        ? Math.min(
            this.staysIn(most, measure, start + here * unit + 1 - stray),
            here > 0 ? this.staysIn(least, measure, start + (here - 1) * unit + 1 + stray) : Number.POSITIVE_INFINITY,
          )
        : -1;
    const runs = line && here > 0 ? [least, most].map((cart) => longRunOf(cart, measure, units)) : [];
    const [run, other] = line ? runs : [STILL, STILL];
    if (!run || !other) {
      horizon.limit(steady);
      return here;
    }
    if (steady === Number.POSITIVE_INFINITY) return here;
    const make = (): Stairs => {
      const each = fraction(1, unit);
      const bound = add(multiply(compare(run.stray, other.stray) < 0 ? other.stray : run.stray, each), ONE);
      return {
        slope: multiply(run.slope, each),
        below: add(bound, whole(here - fewest)),
        above: add(bound, whole(highest - here)),
        steady,
        madeOf: { kind: "begun", steps: { about: this.nameOf(measure), start, unit }, than: here, units },
      };
    };
    const alike = line ? [least, most].map((cart) => alikeKey(cart, measure)) : [null];
    const stairs = alike.includes(null) ? make() : horizon.sharedStairs(`${alike.join()} ${start} ${unit}`, make);
    return linearAmount(whole(here), ZERO, new Map([[stairs, ONE]]));
  }
  goods(counts: (line: ReadLine) => boolean): LinearAmount {
    const { growth, horizon, line } = this;
    const { before, moves } = growth.least;
    const still = goodsOf(before.lines, counts);
    const more = goodsOf(growth.most.before.lines, counts) - still;
    const stairs = more === 0 ? null : new Map([[this.heldMore(more), ONE]]);
    const grows = line && counts(line) ? line : null;
    const each = grows && moves !== "weight" ? (moves === "quantity" ? grows.unitPrice : 1) : 0;
    const sum = still + (grows ? grows.shelf - grows.discount : 0);
    return goodsLeft(before, linearAmount(whole(sum), whole(each), stairs), horizon);
  }
  /** What the cart that holds most of the line is worth more; of others nobody knows, but that it is the same of all goods. */
  private heldMore(more: number): Stairs {
    return this.horizon.sharedStairs(`held:${more}`, () => ({
      slope: ZERO,
      below: ZERO,
      above: whole(more),
      steady: -1,
      madeOf: { kind: "held" },
    }));
  }
  lineReaches(one: ReadLine, figure: LineFigure, least: number): Truth {
    const reached = lineReaches(one, figure, least);
    const { before, moves } = this.growth.least;
    const other = this.growth.most.before.lines[before.lines.indexOf(one)];
    if (other && lineReaches(other, figure, least) !== reached) {
      const { figures } = this.growth;
      const about = figures.nameOf({ kind: "line", at: before.lines.indexOf(one), figure, left: this.left });
      return this.settle(reached === true, about, least);
    }
    if (one === this.line && reached === false && figure === moves) this.horizon.limit(least - this.units - 1);
    return reached;
  }
  without(goods: (line: ReadLine) => boolean): Evaluation {
    const left = (growth: CartGrowth) => growthOf(growth, cartWithout(growth.before, goods));
    const { least, most } = this.growth;
    const units = this.line && goods(this.line) ? 0 : this.units;
    const part = { ...this.growth, least: left(least), most: left(most) };
    return new CartsBetween(part, units, this.horizon, null, [...this.left, goods]);
  }
  anew({ facts = this.facts, unknownAs = this.unknownAs }: Partial<Pick<Terms, "facts" | "unknownAs">>): Evaluation {
    const asked = (growth: CartGrowth) => ({ ...growthOf(growth, growth.before), facts, unknownAs });
    const { least, most } = this.growth;
    const other = { ...this.growth, least: asked(least), most: asked(most) };
    return new CartsBetween(other, this.units, this.horizon, this.met, this.left);
  }
}

/** Of what does not move. */
const STILL: LongRun = { slope: ZERO, stray: ZERO };
