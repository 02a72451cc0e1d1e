import type { NoPrice } from "../charges/no-price.ts";
import type { LadderMeasure } from "../measures/measure-spec.ts";
import type { StepState } from "../messages/states.ts";
import { add, type Rational, reduce, roundHalfAway, timesWhole } from "../money/rational.ts";

/** A step over one interval. `remaining` at x is `start + slope × (x − from)`; null where nothing is promised. */
export type ClimbStep = { state: StepState; remaining: { start: number; slope: 0 | -1 } | null };

/**
 * A price over one interval: minor units, why there is none, or a price that moves: at x it is
 * `start + slope × (x − from)`, rounded half away from zero, both exactly.
 */
export type ClimbPrice = number | NoPrice | { start: Rational; slope: Rational };

/** A stretch of shelf values, both ends included, over which nothing a shopper sees changes but along straight lines. */
export type ClimbInterval = {
  from: number;
  to: number;
  /** Per option of `Climb.options`: what the shopper pays, or why it cannot be had. */
  prices: ClimbPrice[];
  /** Per option: the ids of the offers used. */
  offers: string[][];
  /** Per step of `Climb.steps`. */
  steps: ClimbStep[];
};

/** Delivery prices and progress as an exact function of the cart's shelf value, from 0 to `to` minor units. */
export type Climb = {
  currency: string;
  zone: string;
  to: number;
  options: string[];
  /** `goal` in units of `measure`; `flag`: the shelf value at which it is met for good, when that is within the climb. */
  steps: { offer: string; step: string; measure: LadderMeasure["kind"]; goal: number | null; flag: number | null }[];
  intervals: ClimbInterval[];
};

/** What an option costs at shelf value x of an interval, in minor units; or why it cannot be had. */
export function priceAt({ from, prices }: ClimbInterval, option: number, x: number): number | NoPrice {
  const price = prices[option] ?? "not-offered";
  if (typeof price !== "object") return price;
  return roundHalfAway(add(price.start, timesWhole(price.slope, x - from)));
}

/** What remains for a step of an interval at shelf value x; null where nothing is promised. */
export function remainingAt(interval: ClimbInterval, step: number, x: number): number | null {
  const remaining = interval.steps[step]?.remaining;
  return remaining ? remaining.start + remaining.slope * (x - interval.from) : null;
}

/**
 * A climb for a file: exact fractions as text, "98/10".
 *
 * @example JSON.stringify(climbAsJson(climb))
 */
export const climbAsJson = (climb: Climb) => ({
  ...climb,
  intervals: climb.intervals.map((interval) => ({
    ...interval,
    prices: interval.prices.map((price) =>
      typeof price === "object" ? { start: fractionText(price.start), slope: fractionText(price.slope) } : price,
    ),
  })),
});

function fractionText(fraction: Rational): string {
  const { n, d } = reduce(fraction);
  return `${n}/${d}`;
}
