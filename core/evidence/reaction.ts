import { type Chance, chanceFrom } from "./chance.ts";
import { BELOW } from "./near-goal.ts";
import { type BinModel, poissonFit } from "./poisson-fit.ts";
import type { Spread } from "./spread.ts";
import type { Week } from "./weeks.ts";

/**
 * The share of shoppers a little below a goal who add enough to reach it, estimated from the orders that bunch above it and are missing
 * below it: Saez, Do Taxpayers Bunch at Kink Points? (2010); Kleven and Waseem, Using Notches to Uncover Optimization Frictions (2013).
 */
export type Reaction = {
  /** In minor units. */
  readonly goal: number;
  /** From nothing to one, where the data do not say less: an estimate may come out below nothing. */
  readonly share: number;
  /** Nine times in ten the true share lies between these. */
  readonly low: number;
  readonly high: number;
  /** Orders within a fifth of the goal while it held, and the weeks that it held for. */
  readonly orders: number;
  readonly weeks: number;
  /** What it is compared with: weeks when no goal was near, or the shape of the spread around the goal alone. */
  readonly by: "other-weeks" | "shape";
};

/** A little above: where shoppers land who reach for a goal; they come from a little below it. */
const ABOVE = 1.2;
/** A goal outside of these has no part in what happens around another. */
const FAR_BELOW = 0.6;
const FAR_ABOVE = 1.6;
const LEAST_WEEKS = 6;
const LEAST_ORDERS = 60;
const RESAMPLES = 200;
const SEED = 20_130_501;

/** Orders around a goal in one week: below, above, and by bins of the shape. */
type Around = { readonly below: number; readonly above: number; readonly bins: Float64Array };

/**
 * Estimates for every goal that held long enough, the lowest first; what the data cannot tell is not there.
 *
 * @param weeks of one market and currency
 */
export function reactionsOf(weeks: readonly Week[]): Reaction[] {
  const goals = [...new Set(weeks.flatMap(({ goal }) => (typeof goal === "number" ? [goal] : [])))];
  return goals.sort((a, b) => a - b).flatMap((goal) => reactionTo(goal, weeks) ?? []);
}

/** @returns null where there are too few weeks or orders to tell */
export function reactionTo(goal: number, weeks: readonly Week[], seed = SEED): Reaction | null {
  const shape = shapeAround(goal);
  const held = weeks.filter((week) => week.goal === goal).map(({ spread }) => around(spread, goal, shape));
  const free = weeks.filter((week) => isFree(week, goal)).map(({ spread }) => around(spread, goal, shape));
  const orders = held.reduce((sum, { below, above }) => sum + below + above, 0);
  if (held.length < LEAST_WEEKS || orders < LEAST_ORDERS) return null;
  const isCompared =
    free.length >= LEAST_WEEKS && free.reduce((sum, { below, above }) => sum + below + above, 0) >= LEAST_ORDERS;
  const first = isCompared ? null : byShape(held, shape);
  const estimate = (on: readonly Around[], off: readonly Around[]) =>
    isCompared ? byOtherWeeks(on, off) : (byShape(on, shape, first?.parameters)?.share ?? null);
  const share = first ? first.share : estimate(held, free);
  if (share === null) return null;
  const chance = chanceFrom(seed);
  const drawn = Array.from({ length: RESAMPLES }, () => estimate(resampled(held, chance), resampled(free, chance)))
    .filter((one) => one !== null)
    .sort((a, b) => a - b);
  const at = (part: number) => drawn[Math.min(drawn.length - 1, Math.floor(part * drawn.length))] ?? share;
  return {
    ...{ goal, share, low: at(0.05), high: at(0.95), orders, weeks: held.length },
    by: isCompared ? "other-weeks" : "shape",
  };
}

const isFree = ({ goal: other }: Week, goal: number): boolean =>
  other === null || (other !== "several" && (other < goal * FAR_BELOW || other > goal * FAR_ABOVE));

const resampled = <T>(list: readonly T[], chance: Chance): T[] =>
  list.flatMap(() => list[Math.floor(chance() * list.length)] ?? []);

/**
 * The share that is missing below, of all around the goal, against weeks when nobody had a reason to be missing: whatever round prices
 * and seasons do to how many orders there are, they do to both sides.
 */
function byOtherWeeks(on: readonly Around[], off: readonly Around[]): number | null {
  const [held, free] = [sumOf(on), sumOf(off)];
  const usual = free.below / (free.below + free.above);
  return usual > 0 ? 1 - held.below / (held.below + held.above) / usual : null;
}

const sumOf = (list: readonly Around[]) => ({
  below: list.reduce((sum, { below }) => sum + below, 0),
  above: list.reduce((sum, { above }) => sum + above, 0),
});

/** Bins on logarithms around a goal, with what of their places a smooth shape and heaps at round prices are made of. */
type Shape = BinModel & {
  readonly edges: readonly number[];
  /** Bins a little below the goal, and a little above it. */
  readonly below: readonly number[];
  readonly above: readonly number[];
};

const BINS = 56;
const FIRST = 0.5;
const LAST = 2;
const DEGREE = 5;

function shapeAround(goal: number): Shape {
  // The goal and the ends of what is near it are edges, so that no bin lies on both sides.
  const part = (from: number, to: number) => {
    const count = Math.round((BINS * Math.log(to / from)) / Math.log(LAST / FIRST));
    return Array.from({ length: count }, (_, i) => Math.round(goal * from * (to / from) ** (i / count)));
  };
  const marks = [FIRST, BELOW, 1, ABOVE, LAST];
  const edges = [...marks.slice(0, -1).flatMap((from, i) => part(from, marks[i + 1] ?? LAST)), Math.round(goal * LAST)];
  const apart = edges.filter((edge, i) => i === 0 || edge > (edges[i - 1] ?? 0));
  const bins = apart.slice(0, -1).map((from, i) => ({ from, to: apart[i + 1] ?? from + 1 }));
  const ten = 10 ** Math.floor(Math.log10(goal));
  const between = (low: number, high: number) =>
    bins.flatMap(({ from }, i) => (from >= Math.round(goal * low) && from < Math.round(goal * high) ? [i] : []));
  return {
    edges: apart,
    powers: bins.map(({ from, to }) => {
      const x = Math.log((from + to) / 2 / goal) / Math.log(LAST);
      return Float64Array.from({ length: DEGREE + 1 }, (_, power) => x ** power);
    }),
    heaps: bins.map(({ from, to }) =>
      Float64Array.from([ten, ten / 2], (step) => (multiples(from, to, step) * step) / (to - from) - 1),
    ),
    widths: bins.map(({ from, to }) => Math.log(to / from)),
    below: between(BELOW, 1),
    above: between(1, ABOVE),
  };
}

/** How many multiples of a step lie from one value up to before another. */
const multiples = (from: number, to: number, step: number): number => Math.ceil(to / step) - Math.ceil(from / step);

function around(spread: Spread, goal: number, { edges }: Shape): Around {
  const bins = new Float64Array(edges.length - 1);
  let below = 0;
  let above = 0;
  let bin = 0;
  for (const { value, orders } of spread) {
    if (value < (edges[0] ?? 0) || value >= (edges.at(-1) ?? 0)) continue;
    while (value >= (edges[bin + 1] ?? Number.POSITIVE_INFINITY)) bin += 1;
    bins[bin] = (bins[bin] ?? 0) + orders;
    if (value >= Math.round(goal * BELOW) && value < goal) below += orders;
    if (value >= goal && value < Math.round(goal * ABOVE)) above += orders;
  }
  return { below, above, bins };
}

/**
 * The share that is missing below against a smooth shape with heaps at round prices, fitted to all bins by themselves but those near the
 * goal, of which only how many there are together is taken: reaching for a goal moves orders among them.
 */
function byShape(
  on: readonly Around[],
  shape: Shape,
  start?: Float64Array,
): { share: number; parameters: Float64Array } | null {
  const { widths, below, above } = shape;
  const counts = Float64Array.from(widths, (_, i) => on.reduce((sum, { bins }) => sum + (bins[i] ?? 0), 0));
  const near = [...below, ...above];
  const far = widths.flatMap((_, i) => (near.includes(i) ? [] : [[i]]));
  const fit = poissonFit(shape, [near, ...far], counts, start);
  if (!fit) return null;
  const { expected, parameters } = fit;
  const total = (list: readonly number[], of: Float64Array) => list.reduce((sum, i) => sum + (of[i] ?? 0), 0);
  const usual = total(below, expected) / total(near, expected);
  const all = total(near, counts);
  return all > 0 && usual > 0 ? { share: 1 - total(below, counts) / all / usual, parameters } : null;
}
