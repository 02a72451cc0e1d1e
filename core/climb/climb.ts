import { filler, type ReadCart, type ReadLine, readCart, readLine } from "../cart/read-cart.ts";
import type { Charged } from "../charges/charged.ts";
import { type Facts, factsOf } from "../conditions/facts.ts";
import { type Measure, measureAt, measurePath, measureTurns } from "../measures/measure.ts";
import type { Threshold } from "../measures/threshold.ts";
import { compare } from "../money/rational.ts";
import type { CompiledPlan } from "../plan/compile.ts";
import type { Problem } from "../plan/problem.ts";
import { findTariffs } from "../quote/find-tariffs.ts";
import { priceOption } from "../quote/price-options.ts";
import { type Start, type StepState, situationAt, standing } from "../quote/progress.ts";
import type { QuoteRequest } from "../quote/request.ts";
import type { Tariff } from "../quote/tariff.ts";
import { cartAt } from "./cart-at.ts";

/** A step over one interval. `remaining` at x is `start + slope × (x − from)`; null where nothing is promised. */
export type ClimbStep = { state: StepState; remaining: { start: number; slope: 0 | -1 } | null };

/** A stretch of shelf values, both ends included, over which nothing a shopper sees changes but what remains. */
export type ClimbInterval = {
  from: number;
  to: number;
  /** Per option of `Climb.options`: what the shopper pays, or why it cannot be had. */
  prices: Charged[];
  /** Per option: the id of the offer that made it cheaper. */
  offers: (string | null)[];
  /** Per step of `Climb.steps`. */
  steps: ClimbStep[];
};

/** Delivery prices and progress as an exact function of the cart's shelf value, from 0 to `to` minor units. */
export type Climb = {
  currency: string;
  zone: string;
  to: number;
  options: string[];
  /** `flag`: the shelf value at which the goal is met for good, when that is within the climb. */
  steps: { offer: string; step: string; goal: number; flag: number | null }[];
  intervals: ClimbInterval[];
};

/**
 * The climb of a request's cart: `cartAt(cart, x)` quoted for every x at once. Computed from the comparisons that
 * prices and goals make, not by sampling; it equals a quote at every minor unit.
 *
 * @param to the last shelf value, in minor units
 * @returns climb null when nobody serves the destination; while it is partly known, the climb of the first zone possible
 */
export function climb(
  compiled: CompiledPlan,
  request: QuoteRequest,
  to: number,
): { climb: Climb | null } | { problems: Problem[] } {
  const sample = readCart(request.cart, "/cart");
  if ("problems" in sample) return sample;
  const found = findTariffs(compiled, request);
  if ("problems" in found) return found;
  const [tariff] = found.tariffs;
  if (!tariff) return { climb: null };

  const facts = factsOf(request);
  const walk = segmentsOf(sample, to);
  const intervals = joined([
    emptyCart(tariff, facts, sample),
    ...walk.flatMap((segment) => climbSegment(tariff, facts, segment)),
  ]);
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
          goal: step.goal.at,
          flag: flagOf(tariff, sample, walk, step.goal),
        })),
      ),
      intervals,
    },
  };
}

/** A part of the walk on which goods of one kind are added: shelf values from `after` + 1 to `after` + `length`. */
type Segment = {
  readonly after: number;
  readonly length: number;
  readonly before: ReadCart;
  readonly next: ReadLine | null;
};

function segmentsOf(sample: ReadCart, to: number): Segment[] {
  const segments: Segment[] = [];
  let after = 0;
  sample.lines.forEach((next, i) => {
    const length = Math.min(next.shelf, to - after);
    if (length > 0) segments.push({ after, length, before: { ...sample, lines: sample.lines.slice(0, i) }, next });
    after += Math.max(0, length);
  });
  if (after < to) segments.push({ after, length: to - after, before: sample, next: null });
  return segments;
}

const pathsOf = (tariff: Tariff, cart: ReadCart, next: ReadLine | null) =>
  tariff.measures.map((measure) => measurePath(measure, cart, next));

/** The cart as a place to start from: its lines are what conditions see. */
const startOf = (tariff: Tariff, facts: Facts, cart: ReadCart): Start => ({
  facts: { ...facts, lines: cart.lines },
  paths: pathsOf(tariff, cart, null),
  unknownAs: false,
});

function emptyCart(tariff: Tariff, facts: Facts, sample: ReadCart): ClimbInterval {
  const start = startOf(tariff, facts, { ...sample, lines: [] });
  return { from: 0, to: 0, ...pricesAt(tariff, start), steps: stepsAt(tariff, start) };
}

function climbSegment(tariff: Tariff, facts: Facts, segment: Segment): ClimbInterval[] {
  const { after, length, next } = segment;
  const paths = pathsOf(tariff, segment.before, next);
  // Where a line is complete it counts as all its pieces.
  const cuts = new Set(next && next.shelf === length ? [1, length] : [1]);
  for (const { measure, least } of tariff.thresholds) {
    const path = paths[measure];
    if (path) for (const turn of measureTurns(path, least, length)) cuts.add(turn);
  }
  const starts = [...cuts].sort((a, b) => a - b);
  const at = (y: number, end: number, slope: 0 | -1): ClimbInterval => {
    const here = startOf(tariff, facts, cartAfter(segment, y));
    return { from: after + y, to: after + end, ...pricesAt(tariff, here), steps: stepsAt(tariff, here, slope) };
  };
  return starts.flatMap((start, i) => {
    const end = (starts[i + 1] ?? length + 1) - 1;
    if (!likeFiller(tariff, next))
      return Array.from({ length: end - start + 1 }, (_, k) => at(start + k, start + k, 0));
    // Goods like filler: from here on the walk is what the shopper is asked to add, so what remains falls one for one.
    const stretch = at(start, end, -1);
    if (!seesLines(tariff) || start === end) return [stretch];
    // The least filler is a line of its own, which a condition may see: then one unit is asked for all along, up to the
    // last unit of the stretch, from where one more leads out of it.
    const steps = stretch.steps.map((step): ClimbStep => {
      const { remaining } = step;
      return remaining?.start === 1 ? { ...step, remaining: { start: 1, slope: 0 } } : step;
    });
    return [{ ...stretch, to: stretch.to - 1, steps }, at(end, end, 0)];
  });
}

const seesLines = ({ options, offers }: Tariff) =>
  [...options, ...offers].some(({ when }) => when?.seesLines === true) ||
  options.some(({ charge }) => charge.seesLines);

/** Whether adding bits of a line is, for every value that is counted, like adding filler. */
function likeFiller(tariff: Tariff, line: ReadLine | null): boolean {
  if (!line) return true;
  const standard = line.taxRate === null || compare(line.taxRate, tariff.standardTax) === 0;
  const counts = (measure: Measure) => measure.kind !== "value" || measure.value.counts(line);
  return standard && line.discount === 0 && tariff.measures.every(counts);
}

function cartAfter({ before, next }: Segment, y: number): ReadCart {
  const added = next
    ? {
        ...next,
        quantity: y < next.shelf ? 1 : next.quantity,
        shelf: y,
        discount: Number((BigInt(next.discount) * BigInt(y)) / BigInt(next.shelf)),
      }
    : readLine(filler(y));
  return { ...before, lines: [...before.lines, added] };
}

function pricesAt(tariff: Tariff, start: Start): Pick<ClimbInterval, "prices" | "offers"> {
  const situation = situationAt(start, 0);
  const priced = tariff.options.map((_, number) => priceOption(tariff, number, situation));
  return { prices: priced.map(({ price }) => price), offers: priced.map(({ offer }) => offer?.id ?? null) };
}

function stepsAt(tariff: Tariff, start: Start, slope: 0 | -1 = 0): ClimbStep[] {
  return tariff.offers.flatMap((offer) =>
    offer.steps.map((step) => {
      const { state, remaining } = standing(tariff, offer, step, start);
      return { state, remaining: remaining === null ? null : { start: remaining, slope } };
    }),
  );
}

/** Where a goal is met for good on the walk, or null when it is not met at its end. */
function flagOf(tariff: Tariff, sample: ReadCart, walk: readonly Segment[], goal: Threshold): number | null {
  const measure = tariff.measures[goal.measure];
  if (!measure) return null;
  let flag = measureAt(measurePath(measure, { ...sample, lines: [] }, null), 0) >= goal.least ? 0 : null;
  for (const { after, length, before, next } of walk) {
    const path = measurePath(measure, before, next);
    const last = measureTurns(path, goal.least, length).at(-1);
    if (last !== undefined) flag = measureAt(path, last) >= goal.least ? after + last : null;
  }
  return flag;
}

/** What a measure counts at shelf value x: the goal that a flag dragged to x stands for. */
export function countedAt(compiled: CompiledPlan, request: QuoteRequest, offer: string, x: number): number | null {
  const found = findTariffs(compiled, request);
  const cart = readCart(cartAt(request.cart, x), "/cart");
  if ("problems" in found || "problems" in cart) return null;
  const [tariff] = found.tariffs;
  const step = tariff?.offers.find(({ id }) => id === offer)?.steps[0];
  const measure = step && tariff?.measures[step.goal.measure];
  return measure ? measureAt(measurePath(measure, cart, null), 0) : null;
}

/** Joins neighbours over which nothing changes but what remains, one for one or not at all. */
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
  const same = <T>(x: readonly T[], y: readonly T[]) => x.every((value, i) => value === y[i]);
  if (!same(a.prices, b.prices) || !same(a.offers, b.offers)) return undefined;
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
    const gap = b.from - a.from;
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

/** What remains for a step of an interval at shelf value x; null where nothing is promised. */
export function remainingAt(interval: ClimbInterval, step: number, x: number): number | null {
  const remaining = interval.steps[step]?.remaining;
  return remaining ? remaining.start + remaining.slope * (x - interval.from) : null;
}
