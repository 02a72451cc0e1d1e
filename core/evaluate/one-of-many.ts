import { counted } from "../measures/measure.ts";
import type { About, OneOfMany, Steps, Turning } from "../money/ways.ts";
import { begunFor, type CartGrowth, countAt, growthOf, staysFor } from "./cart-growth.ts";
import type { GrowthBetween } from "./carts-between.ts";
import type { FigureBetween } from "./figures-between.ts";
import { begunPast, cartWithout, goodsOf, lineReaches } from "./goods-counted.ts";

/** A figure of one cart as filler is added to it. */
type FigureInCart = {
  readonly reaches: (least: number, units: number) => Turning;
  readonly begun: (steps: Steps, units: number) => Begun;
};
type Begun = ReturnType<OneOfMany["begun"]>;

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
    reaches: (about, least, units) => figureOf(about).reaches(least, units),
    begun: (steps, units) => {
      const last = begun.get(steps);
      if (last && units >= last.from && units <= last.to) return { at: last.at, steady: last.to - units };
      const { at, steady } = figureOf(steps.about).begun(steps, units);
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
  reaches: (least, units) => ({
    yes: (countAt(growth, measure, units) ?? -1) >= least,
    turnsIn: () => staysFor(growth, measure, least, units) + 1,
  }),
  begun: ({ start, unit }, units) => {
    const at = begunPast(countAt(growth, measure, units), start, unit);
    return { at, steady: begunFor(growth, measure, { begun: at, start, unit }, units) };
  },
});

const still = (count: number | null, reaches: (least: number) => boolean): FigureInCart => ({
  reaches: (least) => ({ yes: reaches(least), turnsIn: () => Number.POSITIVE_INFINITY }),
  begun: ({ start, unit }) => ({ at: begunPast(count, start, unit), steady: Number.POSITIVE_INFINITY }),
});
