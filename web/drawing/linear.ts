import { nice, ticks } from "d3-array";

/** Where values lie along an axis, and which of them to mark. */
export type LinearAxis = {
  (value: number): number;
  invert: (place: number) => number;
  ticks: (about: number) => number[];
};

/**
 * A linear axis from a range of values to a range of pixels. d3-scale would bring colours and calendars to every page.
 *
 * @param rounded widens the values to round ones that suit so many ticks
 * @example linear([0, 100], [40, 540])(50) // 290
 */
export function linear(
  values: readonly [number, number],
  [start, end]: readonly [number, number],
  rounded?: number,
): LinearAxis {
  const [from, to] = rounded === undefined ? values : nice(values[0], values[1], rounded);
  const perValue = (end - start) / (to - from || 1);
  return Object.assign((value: number) => start + (value - from) * perValue, {
    invert: (place: number) => from + (place - start) / perValue,
    ticks: (about: number) => ticks(from, to, about),
  });
}
