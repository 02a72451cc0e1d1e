import { filler, type ReadCart, type ReadLine, readCart, readLine } from "../cart/read-cart.ts";
import type { NoPrice } from "../charges/no-price.ts";
import {
  type CartGrowth,
  cartAfter,
  countAt,
  growByFiller,
  growByLine,
  nextCrossing,
} from "../evaluate/cart-growth.ts";
import type { Evaluation } from "../evaluate/evaluation.ts";
import { situationAlong, situationOf } from "../evaluate/situation-of.ts";
import type { StepState } from "../messages/states.ts";
import { exactOf, type LinearAmount, slopeOf } from "../money/linear-amount.ts";
import { add, compare, multiply, type Rational, reduce, roundHalfAway, whole } from "../money/rational.ts";
import type { Offer } from "../offers/offer.ts";
import { priceOption } from "../quote/options/price-option.ts";
import {
  type Ahead,
  ahead,
  type FillerForecast,
  forecastFiller,
  outcomeAt,
  stepStatus,
} from "../quote/progress/step-status.ts";
import type { QuoteRequest } from "../request/request.ts";
import { standpointProblems } from "../request/standpoint-problems.ts";
import type { Problem } from "../schema/problem.ts";
import { type Facts, factsOf } from "../situation/situation.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { findTariffs } from "../tariff/find-tariffs.ts";
import type { Tariff, TariffOffer, TariffStep } from "../tariff/tariff.ts";
import { cartAt } from "./cart-at.ts";

/** A step over one interval. `remaining` at x is `start + slope × (x − from)`; null where nothing is promised. */
export type ClimbStep = { state: StepState; remaining: { start: number; slope: 0 | -1 } | null };

/**
 * A price over one interval: minor units, why there is none, or a price that moves: at x it is
 * `start + slope × (x − from)`, rounded half away from zero. Both are exact fractions, "98/10".
 */
export type ClimbPrice = number | NoPrice | { start: string; slope: string };

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
  steps: { offer: string; step: string; measure: Offer["counts"]["kind"]; goal: number | null; flag: number | null }[];
  intervals: ClimbInterval[];
};

/**
 * The climb of a request's cart: `cartAt(cart, x)` quoted for every x at once. Not by sampling: every decision tells how
 * far it stands, and the next stretch begins where the first of them falls. It equals a quote at every minor unit.
 *
 * @param to the last shelf value, in minor units
 * @returns climb null when nobody serves the destination; while it is partly known, the climb of the first zone possible
 */
export function climb(
  compiled: CompiledPlan,
  request: QuoteRequest,
  to: number,
): { climb: Climb | null } | { problems: Problem[] } {
  const wrong = standpointProblems(request);
  if (wrong.length > 0) return { problems: wrong };
  const sample = readCart(request.cart, "/cart");
  if ("problems" in sample) return sample;
  const found = findTariffs(compiled, request.destination, request.currency);
  if ("problems" in found) return found;
  const [first] = found.there;
  if (!first) return { climb: null };

  const { tariff } = first;
  const facts = factsOf(request, compiled.positions, first.place);
  const segments = segmentsOf(tariff, facts, sample, to);
  const intervals = joined([
    emptyCart(tariff, facts, sample),
    ...segments.flatMap((segment) => climbSegment(tariff, segment)),
  ]);
  if (intervals.some(({ prices }) => prices.some((price) => typeof price === "number" && !Number.isSafeInteger(price))))
    return { problems: [{ path: "/cart", message: "delivery comes to more than can be counted" }] };
  return {
    climb: {
      currency: tariff.currency,
      zone: tariff.zone.id,
      to,
      options: tariff.options.map(({ id }) => id),
      steps: tariff.offers.flatMap((offer) =>
        offer.steps.map((step) => ({
          offer: offer.id,
          step: step.step.id,
          measure: offer.offer.counts.kind,
          goal: step.goal?.at ?? null,
          flag: flagOf(tariff, facts, sample, segments, step),
        })),
      ),
      intervals,
    },
  };
}

/** A part of the climb on which goods of one kind are added: shelf values from `after` + 1 to `after` + `length`. */
type Segment = {
  readonly after: number;
  readonly length: number;
  readonly growth: CartGrowth;
  /** What adding filler would do from the first unit on, and from the whole line on, by step; made when asked for. */
  readonly forecasts: {
    readonly begun: Map<TariffStep, FillerForecast>;
    readonly whole: Map<TariffStep, FillerForecast>;
  };
};

function segmentsOf(tariff: Tariff, facts: Facts, sample: ReadCart, to: number): Segment[] {
  const segments: Segment[] = [];
  let after = 0;
  const push = (length: number, growth: CartGrowth) => {
    if (length > 0) segments.push({ after, length, growth, forecasts: { begun: new Map(), whole: new Map() } });
    after += Math.max(0, length);
  };
  // Lines worth nothing come along with the next that is worth something.
  sample.lines.forEach((next, i) => {
    const before = { ...sample, lines: sample.lines.slice(0, i) };
    push(Math.min(next.shelf, to - after), growByLine(tariff.measures, facts, before, next));
  });
  push(to - after, growByFiller(tariff.measures, facts, sample, "value"));
  return segments;
}

function emptyCart(tariff: Tariff, facts: Facts, sample: ReadCart): ClimbInterval {
  const cart = { ...sample, lines: [] };
  const now = situationOf(tariff.measures, facts, cart, false);
  const steps = tariff.offers.flatMap((offer) =>
    offer.steps.map((step): ClimbStep => {
      const growth = growByFiller(tariff.measures, facts, cart, offer.offer.counts.kind);
      const { state, remaining } = stepStatus(tariff, offer, step, now, () =>
        ahead(forecastFiller(tariff, offer, step, growth, false), 0),
      );
      return { state, remaining: remaining === null ? null : { start: remaining, slope: 0 } };
    }),
  );
  return { from: 0, to: 0, ...pricesAt(tariff, now), steps };
}

function climbSegment(tariff: Tariff, segment: Segment): ClimbInterval[] {
  const { after, length, growth } = segment;
  const intervals: ClimbInterval[] = [];
  for (let units = 1; units <= length; ) {
    const now = situationAlong(growth, units, false, length - units);
    const prices = pricesAt(tariff, now);
    const steps = tariff.offers.flatMap((offer) =>
      offer.steps.map((step): ClimbStep => {
        let slope: 0 | -1 = 0;
        const { state, remaining } = stepStatus(tariff, offer, step, now, () => {
          const found = aheadAt(tariff, segment, offer, step, units);
          now.horizon?.limit(found.units);
          slope = found.slope;
          return found;
        });
        return { state, remaining: remaining === null ? null : { start: remaining, slope } };
      }),
    );
    const end = units + (now.horizon?.units ?? 0);
    intervals.push({ from: after + units, to: after + end, ...prices, steps });
    units = end + 1;
  }
  return intervals;
}

/** What adding filler would do to the cart after `units` of a segment, and for how many units more that stays so. */
function aheadAt(tariff: Tariff, segment: Segment, offer: TariffOffer, step: TariffStep, units: number): Ahead {
  const { growth, forecasts } = segment;
  const { facts, measures } = growth;
  const { kind } = offer.offer.counts;
  const fresh = () =>
    forecastFiller(tariff, offer, step, growByFiller(measures, facts, cartAfter(growth, units), kind), false);
  if (kind !== "value") return steadyAhead(tariff, growth, offer, step, units, fresh());
  if (tariff.seesLineFigures || !likeFiller(tariff, growth.next)) return { ...ahead(fresh(), 0), slope: 0, units: 0 };
  // Goods like filler: a unit of them here and a unit less of filler come to the same, so one forecast serves them all.
  const isWhole = growth.length !== null && units >= growth.length;
  const [kept, base] = isWhole ? [forecasts.whole, units] : [forecasts.begun, 1];
  const forecast =
    kept.get(step) ??
    forecastFiller(tariff, offer, step, growByFiller(measures, facts, cartAfter(growth, base), kind), false);
  kept.set(step, forecast);
  return ahead(forecast, units - base);
}

/**
 * Goals that value does not move: what remains stays as it is until some decision about a cart with filler of any
 * amount up to the goal would turn out another way. Between the ends of a stretch of filler none can turn first.
 */
function steadyAhead(
  tariff: Tariff,
  growth: CartGrowth,
  offer: TariffOffer,
  step: TariffStep,
  units: number,
  forecast: FillerForecast,
): Ahead {
  const found = ahead(forecast, 0);
  let steady = Number.POSITIVE_INFINITY;
  for (const { from, to } of forecast.stretches) {
    for (const amount of to === Number.POSITIVE_INFINITY || to === from ? [from] : [from, to]) {
      const line = readLine(filler(offer.offer.counts.kind, amount));
      const beside: CartGrowth = {
        ...growth,
        before: { ...growth.before, lines: [...growth.before.lines, line] },
        paths: [],
      };
      const then = situationAlong(beside, units, false, Number.POSITIVE_INFINITY);
      outcomeAt(tariff, offer, step, then);
      steady = Math.min(steady, then.horizon?.units ?? 0);
    }
  }
  return { ...found, slope: 0, units: steady };
}

/** Whether adding bits of a line is, for every value that is counted, like adding filler. */
function likeFiller(tariff: Tariff, line: ReadLine | null): boolean {
  if (!line) return true;
  const standard = line.taxRate === null || compare(line.taxRate, tariff.standardTax) === 0;
  const counted = tariff.measures.every((measure) => measure.kind !== "value" || measure.value.counts(line));
  const profits = tariff.offers.every(({ steps }) =>
    steps.every(({ onOrder }) => onOrder?.kind !== "percent" || onOrder.of(line)),
  );
  return standard && line.discount === 0 && counted && profits;
}

function pricesAt(tariff: Tariff, now: Evaluation): Pick<ClimbInterval, "prices" | "offers"> {
  const outcomes = tariff.options.map(({ number }) => priceOption(tariff, number, now));
  return {
    prices: outcomes.map(({ price }) => (typeof price === "string" ? price : climbPrice(price))),
    offers: outcomes.map(({ used }) => used.map(({ offer }) => offer.id)),
  };
}

const climbPrice = (price: LinearAmount): ClimbPrice =>
  slopeOf(price).n === 0n
    ? Number(roundHalfAway(exactOf(price)))
    : { start: fractionText(exactOf(price)), slope: fractionText(slopeOf(price)) };

const fractionText = ({ n, d }: Rational) => `${n}/${d}`;

function fraction(text: string): Rational {
  const [n = "0", d = "1"] = text.split("/");
  return { n: BigInt(n), d: BigInt(d) };
}

/** What an option costs at shelf value x of an interval, in minor units; or why it cannot be had. */
export function priceAt({ from, prices }: ClimbInterval, option: number, x: number): number | NoPrice {
  const price = prices[option] ?? "not-offered";
  if (typeof price !== "object") return price;
  return Number(roundHalfAway(add(fraction(price.start), multiply(fraction(price.slope), whole(x - from)))));
}

/** Where a goal is met for good on the climb, or null when it is not met at its end. */
function flagOf(
  tariff: Tariff,
  facts: Facts,
  sample: ReadCart,
  segments: readonly Segment[],
  { goal }: TariffStep,
): number | null {
  if (!goal) return null;
  const empty = situationOf(tariff.measures, facts, { ...sample, lines: [] }, false);
  let flag = empty.reaches(goal.measure, goal.least) === true ? 0 : null;
  for (const { after, length, growth } of segments) {
    const turns = new Set([1, ...(growth.length === length ? [length] : [])]);
    for (let turn = nextCrossing(growth, goal.measure, goal.least, 1); turn !== null && turn <= length; ) {
      turns.add(turn);
      turn = nextCrossing(growth, goal.measure, goal.least, turn);
    }
    for (const turn of [...turns].sort((a, b) => a - b)) {
      const met = (countAt(growth, goal.measure, turn) ?? -1) >= goal.least;
      flag = met ? (flag ?? after + turn) : null;
    }
  }
  return flag;
}

/** What a measure counts at shelf value x: the goal that a flag dragged to x stands for. */
export function countedAt(compiled: CompiledPlan, request: QuoteRequest, offer: string, x: number): number | null {
  const found = findTariffs(compiled, request.destination, request.currency);
  const cart = readCart(cartAt(request.cart, x), "/cart");
  if ("problems" in found || "problems" in cart) return null;
  const [first] = found.there;
  const goal = first?.tariff.offers.find(({ id }) => id === offer)?.steps.find((step) => step.goal)?.goal;
  if (!first || !goal) return null;
  const facts = factsOf(request, compiled.positions, first.place);
  return situationOf(first.tariff.measures, facts, cart, false).count(goal.measure);
}

/** Joins neighbours over which nothing changes but along the same straight lines. */
function joined(intervals: readonly ClimbInterval[]): ClimbInterval[] {
  const result: ClimbInterval[] = [];
  for (const interval of intervals) {
    const last = result.at(-1);
    const together = last && join(last, interval);
    if (together) result[result.length - 1] = together;
    else result.push(interval);
  }
  return result;
}

function join(a: ClimbInterval, b: ClimbInterval): ClimbInterval | undefined {
  const gap = b.from - a.from;
  if (!a.prices.every((price, i) => goesOn(price, b.prices[i], gap))) return undefined;
  if (!a.offers.every((ids, i) => ids.join(" ") === b.offers[i]?.join(" "))) return undefined;
  const steps: ClimbStep[] = [];
  for (const [i, left] of a.steps.entries()) {
    const right = b.steps[i];
    if (!right || left.state !== right.state) return undefined;
    if (!left.remaining || !right.remaining) {
      if (left.remaining !== right.remaining) return undefined;
      steps.push(left);
      continue;
    }
    // One point fits any slope; a longer stretch has its own.
    const slopes = ([0, -1] as const).filter(
      (slope) =>
        (a.from === a.to || left.remaining?.slope === slope) &&
        (b.from === b.to || right.remaining?.slope === slope) &&
        (left.remaining?.start ?? 0) + slope * gap === right.remaining?.start,
    );
    const [slope] = slopes;
    if (slope === undefined) return undefined;
    steps.push({ state: left.state, remaining: { start: left.remaining.start, slope } });
  }
  return { ...a, to: b.to, steps };
}

function goesOn(a: ClimbPrice, b: ClimbPrice | undefined, gap: number): boolean {
  if (typeof a !== "object" || typeof b !== "object") return a === b;
  const there = reduce(add(fraction(a.start), multiply(fraction(a.slope), whole(gap))));
  return a.slope === b.slope && compare(there, fraction(b.start)) === 0;
}

/** What remains for a step of an interval at shelf value x; null where nothing is promised. */
export function remainingAt(interval: ClimbInterval, step: number, x: number): number | null {
  const remaining = interval.steps[step]?.remaining;
  return remaining ? remaining.start + remaining.slope * (x - interval.from) : null;
}
