import { chanceFrom } from "./chance.ts";
import { partition } from "./partition.ts";
import { logGrid, peaksOf } from "./peaks.ts";
import { between, ordersIn, quantileOf, type Spread } from "./spread.ts";

/** A peak in the spread of order values. Amounts in minor units. */
export type Cluster = {
  /** Where the peak is highest. */
  readonly peak: number;
  /** Nineteen in twenty of its orders are worth at least this, and nineteen in twenty at most that. */
  readonly from: number;
  readonly to: number;
  readonly orders: number;
  /** Of all orders, from nothing to one. */
  readonly share: number;
  /** The goal just below the peak that was in force: shoppers came here for it. */
  readonly madeBy: number | null;
};

/** The same spread has the same clusters, whoever asks. */
const SEED = 19_860_101;
/** A peak so little above a goal is made by it. */
const JUST_ABOVE = 1.12;
const OUTSIDE = 0.05;

/**
 * The clusters of a spread, the smallest values first: see `peaks.ts` and `partition.ts`.
 *
 * @param goals that were in force when the orders were made, in minor units
 */
export function clustersOf(spread: Spread, goals: readonly number[] = []): Cluster[] {
  const grid = logGrid(spread);
  if (!grid) return [];
  const peaks = peaksOf(grid, chanceFrom(SEED));
  if (peaks.length === 0) return [];
  const points = [...grid.orders].flatMap((weight, i) =>
    weight > 0 ? [{ at: grid.first + i * grid.step, weight }] : [],
  );
  const starts = partition(points, peaks.length).map((start) => points[start]?.at ?? 0);
  const edges = starts.map((at, i) => (i === 0 ? 0 : Math.round(Math.exp(at - grid.step / 2))));
  const all = ordersIn(spread);
  return peaks.flatMap((logPeak, i) => {
    const peak = Math.round(Math.exp(logPeak));
    const part = between(spread, edges[i] ?? 0, edges[i + 1] ?? Number.POSITIVE_INFINITY);
    const [from, to] = [quantileOf(part, OUTSIDE), quantileOf(part, 1 - OUTSIDE)];
    if (from === null || to === null) return [];
    const orders = ordersIn(part);
    const madeBy = goals.find((goal) => peak >= goal && peak <= goal * JUST_ABOVE) ?? null;
    return [{ peak, from, to, orders, share: orders / all, madeBy }];
  });
}
