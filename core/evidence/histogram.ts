import { roundStep } from "./round-amount.ts";
import { ordersIn, quantileOf, type Spread } from "./spread.ts";

/** Orders whose values are at least `from` and below `to`, in minor units. */
export type Bar = { readonly from: number; readonly to: number; readonly orders: number };

const MOST_BARS = 200;

/**
 * The width of bars by the rule of Freedman and Diaconis (1981): twice the interquartile range over the cube root of the number of
 * orders, made round, so that bars begin at amounts people name. At least one minor unit.
 *
 * @example barWidth(spread) // 200
 */
export function barWidth(spread: Spread): number {
  const [low, high] = [quantileOf(spread, 0.25) ?? 0, quantileOf(spread, 0.75) ?? 0];
  const wide = (2 * (high - low)) / Math.cbrt(Math.max(1, ordersIn(spread)));
  return Math.max(1, roundStep(wide * 10));
}

/**
 * Bars of one width from nothing on, or each a like share wider than the one before (`logarithmic`), up to where all but one in two
 * hundred orders lie; the last bar takes what is above.
 *
 * @param width in minor units
 */
export function barsOf(spread: Spread, width: number, logarithmic = false): Bar[] {
  const last = quantileOf(spread, 0.995);
  if (last === null) return [];
  const edges = logarithmic ? logEdges(spread, width, last) : evenEdges(width, last);
  const counts = new Array<number>(edges.length - 1).fill(0);
  let bar = 0;
  for (const { value, orders } of spread) {
    while (bar < counts.length - 1 && value >= (edges[bar + 1] ?? 0)) bar += 1;
    counts[bar] = (counts[bar] ?? 0) + orders;
  }
  return counts.map((orders, i) => ({ from: edges[i] ?? 0, to: edges[i + 1] ?? 0, orders }));
}

function evenEdges(width: number, last: number): number[] {
  const bars = Math.min(MOST_BARS, Math.floor(last / width) + 1);
  const step = Math.max(width, Math.ceil((last + 1) / bars));
  return Array.from({ length: bars + 1 }, (_, i) => i * step);
}

/** As wide at the median as was asked for. */
function logEdges(spread: Spread, width: number, last: number): number[] {
  const first = Math.max(1, quantileOf(spread, 0.005) ?? 1);
  const share = 1 + width / Math.max(1, quantileOf(spread, 0.5) ?? 1);
  const bars = Math.min(MOST_BARS, Math.max(1, Math.ceil(Math.log((last + 1) / first) / Math.log(share))));
  const factor = ((last + 1) / first) ** (1 / bars);
  const edges = Array.from({ length: bars + 1 }, (_, i) => Math.round(first * factor ** i));
  return [...new Set([0, ...edges])];
}
