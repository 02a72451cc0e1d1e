import type { ReadCart, ReadLine } from "../cart/read-cart.ts";
import { counted, type Measure } from "../measures/measure.ts";
import type { LinearAmount } from "../money/linear-amount.ts";
import { type Facts, type LineFigure, nextNumber, type Situation } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";
import type { Tariff } from "../tariff/tariff.ts";
import { type Evaluation, Memo, type Terms } from "./evaluation.ts";
import { begunPast, cartWithout, goodsLeft, goodsOf, lineReaches } from "./goods-counted.ts";

type Counts = (number | null | undefined)[];

/** One cart as it is, for measures of any tariff. Situations are made by the thousand, so that they share their methods. */
class OneCart implements Situation {
  readonly number = nextNumber();
  readonly facts: Facts;
  readonly lines: readonly ReadLine[];
  readonly linesAs: number;
  readonly unknownAs: boolean;
  readonly horizon = null;
  protected readonly cart: ReadCart;
  protected readonly counts: Counts;
  private readonly measures: readonly Measure[];
  constructor(
    measures: readonly Measure[],
    facts: Facts,
    cart: ReadCart,
    unknownAs: boolean,
    counts: Counts = new Array(measures.length),
    linesAs = nextNumber(),
  ) {
    this.facts = facts;
    this.lines = cart.lines;
    this.linesAs = linesAs;
    this.unknownAs = unknownAs;
    this.cart = cart;
    this.counts = counts;
    this.measures = measures;
  }
  count(number: number): number | null {
    const known = this.counts[number];
    if (known !== undefined) return known;
    const found = this.find(number);
    this.counts[number] = found;
    return found;
  }
  protected find(number: number): number | null {
    const measure = this.measures[number];
    return measure ? counted(measure, this.cart, this.facts.distances) : null;
  }
  reaches(measure: number, least: number): Truth {
    const found = this.count(measure);
    return found === null ? null : found >= least;
  }
  moving(measure: number): LinearAmount | null {
    return this.count(measure);
  }
  begun(measure: number, start: number, unit: number): LinearAmount {
    return begunPast(this.count(measure), start, unit);
  }
  goods(counts: (line: ReadLine) => boolean): LinearAmount {
    return goodsLeft(this.cart, goodsOf(this.lines, counts), null);
  }
  lineReaches(line: ReadLine, figure: LineFigure, least: number): Truth {
    return lineReaches(line, figure, least);
  }
}

export class EvaluatedCart extends OneCart implements Evaluation {
  readonly tariff: Tariff;
  readonly memo: Memo;
  readonly along = null;
  constructor({ tariff, facts, unknownAs }: Terms, cart: ReadCart, counts?: Counts, linesAs?: number) {
    super(tariff.measures, facts, cart, unknownAs, counts, linesAs);
    this.tariff = tariff;
    this.memo = new Memo(tariff);
  }
  without(goods: (line: ReadLine) => boolean): Evaluation {
    return new EvaluatedCart(this, cartWithout(this.cart, goods));
  }
  anew({ facts = this.facts, unknownAs = this.unknownAs }: Partial<Pick<Terms, "facts" | "unknownAs">>): Evaluation {
    return new EvaluatedCart({ tariff: this.tariff, facts, unknownAs }, this.cart, this.counts, this.linesAs);
  }
}

/** One cart as it is, in one tariff. */
export const evaluate = (terms: Terms, cart: ReadCart): Evaluation => new EvaluatedCart(terms, cart);

/** One cart as it is, for measures of any tariff. */
export const situationOf = (
  measures: readonly Measure[],
  facts: Facts,
  cart: ReadCart,
  unknownAs: boolean,
): Situation => new OneCart(measures, facts, cart, unknownAs);
