import { BELOW } from "./near-goal.ts";
import type { Spread } from "./spread.ts";

/** Of the orders a little below a goal: how many would get there by one more product, by two, or by neither. */
export type Reach = {
  /** In minor units. */
  readonly goal: number;
  readonly one: number;
  readonly two: number;
  readonly none: number;
};

/** A product does, if it brings an order to the goal and no further beyond it than this share of the goal. */
const BEYOND = 0.2;

/**
 * How orders could get to a goal with what is on sale.
 *
 * @param adds what a piece of each product adds to what is counted, in minor units
 * @example reachOf(spread, 4500, [640, 5000]) // { goal: 4500, one: 12, two: 3, none: 0 }
 */
export function reachOf(spread: Spread, goal: number, adds: readonly number[]): Reach {
  const sold = [...new Set(adds)].filter((add) => add > 0).sort((a, b) => a - b);
  const counts = { one: 0, two: 0, none: 0 };
  for (const { value, orders } of spread) {
    if (value >= goal || value < goal * BELOW) continue;
    const [least, most] = [goal - value, goal - value + goal * BEYOND];
    if (sold.some((add) => add >= least && add <= most)) counts.one += orders;
    else if (hasPair(sold, least, most)) counts.two += orders;
    else counts.none += orders;
  }
  return { goal, ...counts };
}

/** Whether two of them, or the same twice, come to something between two figures: looked for from both ends. */
function hasPair(sold: readonly number[], least: number, most: number): boolean {
  let high = sold.length - 1;
  for (const [low, add] of sold.entries()) {
    while (high >= low && add + (sold[high] ?? 0) > most) high -= 1;
    if (high < low) return false;
    if (add + (sold[high] ?? 0) >= least) return true;
  }
  return false;
}
