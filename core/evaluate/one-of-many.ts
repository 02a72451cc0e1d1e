import { counted } from "../measures/measure.ts";
import type { About, OneOfMany, Steps } from "../money/ways.ts";
import { type CartGrowth, countAt, growthOf, nextCrossing } from "./cart-growth.ts";
import type { GrowthBetween } from "./carts-between.ts";
import type { FigureBetween } from "./figures-between.ts";
import { begunPast, cartWithout, goodsOf, lineReaches } from "./goods-counted.ts";

/** A figure of one cart as filler is added to it. */
type FigureInCart = {
  readonly count: (units: number) => number | null;
  readonly reaches: (least: number, units: number) => boolean;
  /** For how many units more that stays so. */
  readonly staysFor: (least: number, units: number) => number;
};

/** One of the carts between two, for what is decided about all of them together. */
export function oneOfMany(cart: CartGrowth, { least, figures }: GrowthBetween): OneOfMany {
  const known = new Map<About, FigureInCart>();
  // Each amount of a price asks for the same steps.
  const begun = new Map<Steps, { readonly at: number; readonly from: number; readonly to: number }>();
  const figureOf = (about: About): FigureInCart => {
    const found =
      known.get(about) ?? (typeof about === "number" ? growing(cart, about) : partOf(cart, figures.named(about)));
    known.set(about, found);
    return found;
  };
  return {
    held: worthOf(cart) - worthOf(least),
    reaches: (about, least, units) => {
      const { reaches, staysFor } = figureOf(about);
      return { yes: reaches(least, units), turnsIn: () => staysFor(least, units) + 1 };
    },
    begun: (steps, units) => {
      const last = begun.get(steps);
      if (last && units >= last.from && units <= last.to) return { at: last.at, steady: last.to - units };
      const { about, start, unit } = steps;
      const { count, staysFor } = figureOf(about);
      const at = begunPast(count(units), start, unit);
      const next = start + at * unit + 1;
      const steady = Math.min(staysFor(next, units), at > 0 ? staysFor(next - unit, units) : Number.POSITIVE_INFINITY);
      begun.set(steps, { at, from: units, to: units + steady });
      return { at, steady };
    },
  };
}

/** What is paid for the goods but for discounts on the order. */
const worthOf = ({ before }: CartGrowth): number => goodsOf(before.lines, () => true);

function partOf(cart: CartGrowth, figure: FigureBetween): FigureInCart {
  const before = figure.left.reduce(cartWithout, cart.before);
  if (figure.kind === "line") {
    const line = before.lines[figure.at];
    return still(null, (least) => line !== undefined && lineReaches(line, figure.figure, least) === true);
  }
  if (figure.isFilled) return growing(growthOf(cart, before), figure.measure);
  const measure = cart.tariff.measures[figure.measure];
  const count = measure ? counted(measure, before, cart.facts.distances) : null;
  return still(count, (least) => (count ?? -1) >= least);
}

const growing = (growth: CartGrowth, measure: number): FigureInCart => ({
  count: (units) => countAt(growth, measure, units),
  reaches: (least, units) => (countAt(growth, measure, units) ?? -1) >= least,
  staysFor: (least, units) => (nextCrossing(growth, measure, least, units) ?? Number.POSITIVE_INFINITY) - units - 1,
});

const still = (count: number | null, reaches: (least: number) => boolean): FigureInCart => ({
  count: () => count,
  reaches,
  staysFor: () => Number.POSITIVE_INFINITY,
});
