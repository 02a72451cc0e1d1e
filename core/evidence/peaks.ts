import { type Chance, poissonFrom } from "./chance.ts";
import type { Spread } from "./spread.ts";

/** Orders on an even grid of logarithms of values. */
export type LogGrid = { readonly first: number; readonly step: number; readonly orders: Float64Array };

const POINTS = 256;
const RESAMPLES = 100;
const STAYS_IN = 0.9;
/** Values closer than a tenth are no peaks of their own, however many orders there are: round prices would be. */
const LEAST_BANDWIDTH = 0.09;
/** How many bandwidths of a kernel are looked at. */
const REACH = 3.5;
/** A peak with a smaller share of all orders is no cluster. */
const LEAST_SHARE = 0.04;
const LEAST_ORDERS = 30;

/** Orders without a value of their own, such as those of free goods, have no logarithm and are left out. */
export function logGrid(spread: Spread): LogGrid | null {
  const valued = spread.filter(({ value }) => value > 0);
  const [least, most] = [valued[0], valued.at(-1)];
  if (!least || !most) return null;
  const [low, high] = [Math.log(least.value) - 0.5, Math.log(most.value) + 0.5];
  const step = (high - low) / (POINTS - 1);
  const orders = new Float64Array(POINTS);
  for (const point of valued) {
    // Between two points of the grid an order counts for each by how near it is.
    const at = (Math.log(point.value) - low) / step;
    const below = Math.min(POINTS - 2, Math.floor(at));
    orders[below] = (orders[below] ?? 0) + point.orders * (1 - (at - below));
    orders[below + 1] = (orders[below + 1] ?? 0) + point.orders * (at - below);
  }
  return { first: low, step, orders };
}

/**
 * Values, as logarithms, at which the kernel density of orders has a peak that stays in 90 % of resamples. The kernel is normal, its
 * width by the rule of thumb of Silverman, Density Estimation (1986), 3.4.2: 0.9 times the lesser of the standard deviation and
 * the interquartile range over 1.34, times the number of orders to the power of -1/5.
 */
export function peaksOf(grid: LogGrid, chance: Chance): number[] {
  const all = sum(grid.orders);
  if (all < LEAST_ORDERS) return [];
  const kernel = kernelOf(bandwidth(grid) / grid.step);
  const hills = hillsOf(smoothed(grid.orders, kernel)).filter(
    ({ from, to }) => sum(grid.orders.subarray(from, to)) >= LEAST_SHARE * all,
  );
  const stayed = hills.map(() => 0);
  // One hill is in every resample: there is always a highest place.
  for (let i = 0; hills.length > 1 && i < RESAMPLES; i += 1) {
    const resample = grid.orders.map((orders) => (orders > 0 ? poissonFrom(chance, orders) : 0));
    const found = hillsOf(smoothed(resample, kernel));
    hills.forEach((hill, h) => {
      if (found.some(({ top }) => top >= hill.from && top < hill.to)) stayed[h] = (stayed[h] ?? 0) + 1;
    });
  }
  const staying = hills.filter((_, h) => hills.length === 1 || (stayed[h] ?? 0) >= STAYS_IN * RESAMPLES);
  return staying.map(({ top }) => grid.first + top * grid.step);
}

type Hill = { readonly top: number; readonly from: number; readonly to: number };

/** Every local maximum with the stretch from the lowest place before it to the lowest after it. */
function hillsOf(density: Float64Array): Hill[] {
  const hills: Hill[] = [];
  let from = 0;
  let top = 0;
  let rising = true;
  for (let i = 1; i < density.length; i += 1) {
    const [before, now] = [density[i - 1] ?? 0, density[i] ?? 0];
    if (rising && now < before) {
      top = i - 1;
      rising = false;
    } else if (!rising && now > before) {
      hills.push({ top, from, to: i });
      from = i;
      rising = true;
    }
  }
  if (!rising) hills.push({ top, from, to: density.length });
  return hills;
}

function bandwidth({ orders, step }: LogGrid): number {
  const all = sum(orders);
  const mean = orders.reduce((total, count, i) => total + count * i, 0) / all;
  const variance = orders.reduce((total, count, i) => total + count * (i - mean) ** 2, 0) / all;
  const quartiles = quantileAt(orders, 0.75 * all) - quantileAt(orders, 0.25 * all);
  const deviation = Math.sqrt(variance);
  const spread = quartiles > 0 ? Math.min(deviation, quartiles / 1.34) : deviation;
  return Math.max(LEAST_BANDWIDTH, 0.9 * spread * step * all ** -0.2);
}

function quantileAt(orders: Float64Array, wanted: number): number {
  let passed = 0;
  return orders.findIndex((count) => {
    passed += count;
    return passed >= wanted;
  });
}

function kernelOf(width: number): Float64Array {
  const reach = Math.ceil(width * REACH);
  return Float64Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * width * width)));
}

function smoothed(orders: Float64Array, kernel: Float64Array): Float64Array {
  const reach = (kernel.length - 1) / 2;
  const density = new Float64Array(orders.length);
  orders.forEach((count, i) => {
    if (count === 0) return;
    const [first, last] = [Math.max(0, i - reach), Math.min(orders.length - 1, i + reach)];
    for (let at = first; at <= last; at += 1) density[at] = (density[at] ?? 0) + count * (kernel[at - i + reach] ?? 0);
  });
  return density;
}

const sum = (orders: Float64Array): number => orders.reduce((total, count) => total + count, 0);
