import { filler, type ReadCart, type ReadLine, readCart, readFiller, readLine } from "../cart/read-cart.ts";
import {
  type CartGrowth,
  cartAfter,
  countAt,
  discountOf,
  fillersFor,
  growByFiller,
  growByLine,
  growthOf,
  nextCrossing,
  nextTurn,
} from "../evaluate/cart-growth.ts";
import type { Evaluation, Terms } from "../evaluate/evaluation.ts";
import { evaluateAlong } from "../evaluate/growing-cart.ts";
import { evaluate } from "../evaluate/one-cart.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import { exactOf, Horizon, type LinearAmount, slopeOf } from "../money/linear-amount.ts";
import { compare, isZero, roundHalfAway } from "../money/rational.ts";
import { phrase } from "../phrases/phrase.ts";
import { priceOption } from "../quote/options/price-option.ts";
import { type Ahead, ahead, FillerForecast, outcomeAt, stepStatus } from "../quote/progress/step-status.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { Problem } from "../schema/problem.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import type { Tariff } from "../tariff/tariff.ts";
import type { Filler, TariffOffer, TariffStep } from "../tariff/tariff-offer.ts";
import { cartAt } from "./cart-at.ts";
import type { Climb, ClimbInterval, ClimbPrice, ClimbStep } from "./interval.ts";
import { joined } from "./joined.ts";

/** `progress`: unless it is false, intervals say where each step stands. */
type ClimbForm = { readonly progress?: boolean };

/**
 * The climb of a request's cart: `cartAt(cart, x)` quoted for every x at once. Not by sampling: every decision tells how
 * far it stands, and the next stretch begins where the first of them falls. It equals a quote at every minor unit.
 *
 * @param to the last shelf value, in minor units
 * @param form without progress, intervals hold prices alone: a fraction of the work where goods are not like filler
 * @returns climb null when nobody serves the destination; while it is partly known, the climb of the first zone possible
 * @example const made = climb(compiled, request, 6000); if ("climb" in made) made.climb?.intervals
 */
export function climb(
  compiled: CompiledPlan,
  request: QuoteRequest,
  to: number,
  form: ClimbForm = {},
): { climb: Climb | null } | { problems: Problem[] } {
  const prepared = prepareRequest(compiled, request);
  if ("problems" in prepared) return prepared;
  const [first] = prepared.there;
  if (!first) return { climb: null };
  const terms: Terms = { ...first, unknownAs: false };
  const { tariff } = terms;
  const sample = prepared.cart;
  const segments = segmentsOf(terms, sample, to);
  const intervals = joined([
    emptyCart(terms, sample, form),
    ...segments.flatMap((segment) => climbSegment(segment, form)),
  ]);
  if (intervals.some(({ prices }) => prices.some((price) => typeof price === "number" && !Number.isSafeInteger(price))))
    return { problems: [{ path: "/cart", message: phrase("delivery comes to more than can be counted") }] };
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
          flag: flagOf(terms, sample, segments, step),
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
  readonly steady: Map<TariffStep, Steady>;
  /** Steps that no goods would have bettered when it was last looked: the next unit seldom changes that. */
  readonly helpless: Set<TariffStep>;
};

/** What was found to stay up to some unit; where nothing did, so many times in a row, it is not tried again before `again`. */
type Steady = { readonly found: Ahead; readonly to: number; readonly failures: number; readonly again: number };

/** So many units at most are passed by before it is tried again. */
const LONGEST_PAUSE = 16;

function segmentsOf(terms: Terms, sample: ReadCart, to: number): Segment[] {
  const segments: Segment[] = [];
  let after = 0;
  const push = (length: number, growth: CartGrowth) => {
    if (length > 0) {
      const forecasts = { begun: new Map(), whole: new Map() };
      segments.push({ after, length, growth, forecasts, steady: new Map(), helpless: new Set() });
    }
    after += Math.max(0, length);
  };
  // Lines worth nothing come along with the next that is worth something.
  sample.lines.forEach((next, i) => {
    const before = { ...sample, lines: sample.lines.slice(0, i) };
    push(Math.min(next.shelf, to - after), growByLine(terms, before, next));
  });
  push(to - after, growByFiller(terms, sample, { kind: "value" }));
  return segments;
}

function emptyCart(terms: Terms, sample: ReadCart, form: ClimbForm): ClimbInterval {
  const cart = { ...sample, lines: [] };
  const now = evaluate(terms, cart);
  const steps = offersIn(terms, form).flatMap((offer) =>
    offer.steps.map((step): ClimbStep => {
      const { state, remaining } = stepStatus(offer, step, now, () =>
        ahead(new FillerForecast(offer, step, growByFiller(terms, cart, offer.filler)), 0),
      );
      return { state, remaining: remaining === null ? null : { start: remaining, slope: 0 } };
    }),
  );
  return { from: 0, to: 0, ...pricesAt(now), steps };
}

const offersIn = ({ tariff }: Terms, { progress = true }: ClimbForm) => (progress ? tariff.offers : []);

function climbSegment(segment: Segment, form: ClimbForm): ClimbInterval[] {
  const { after, length, growth } = segment;
  const intervals: ClimbInterval[] = [];
  const isAsBefore = changesNothing(growth);
  for (let units = 1; units <= length; ) {
    const last = intervals.at(-1);
    if (last && last.from === last.to && isAsBefore(units)) {
      intervals.push({ ...last, from: after + units, to: after + units });
      units += 1;
      continue;
    }
    const now = evaluateAlong(growth, units, length - units);
    const prices = pricesAt(now);
    const fillers = fillersFor(growth, () => cartAfter(growth, units));
    const steps = offersIn(growth, form).flatMap((offer) =>
      offer.steps.map((step): ClimbStep => {
        let slope: 0 | -1 = 0;
        const { state, remaining } = stepStatus(offer, step, now, () => {
          const found = aheadAt(segment, offer, step, units, fillers);
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

/**
 * Whether a unit more of a line leaves all that anybody looks at as it was: where nothing is seen of it but what is paid for it, and its
 * discount takes the whole unit.
 */
function changesNothing({ tariff, next, length }: CartGrowth): (units: number) => boolean {
  if (!next || next.discount === 0 || length === null || !seesOnlyWorth(tariff, next)) return () => false;
  return (units) => {
    const before = discountOf(next, units - 1);
    // Goods that are reduced are seen for that.
    return units < length && before > 0 && discountOf(next, units) > before;
  };
}

function seesOnlyWorth({ seesLineFigures, measures }: Tariff, line: ReadLine): boolean {
  if (seesLineFigures) return false;
  return measures.every((measure) => {
    if (measure.kind === "value") return measure.value.lineDiscounts || !measure.value.counts(line);
    return measure.kind !== "count" || !measure.turns;
  });
}

/** What adding filler would do to the cart after `units` of a segment, and for how many units more that stays so. */
function aheadAt(
  { growth, forecasts, steady, helpless }: Segment,
  offer: TariffOffer,
  step: TariffStep,
  units: number,
  fillers: (filler: Filler) => CartGrowth,
): Ahead {
  const { tariff } = growth;
  const { kind, like } = offer.filler;
  const here = () => {
    const forecast = new FillerForecast(offer, step, fillers(offer.filler));
    if (helpless.has(step)) forecast.extend();
    return forecast;
  };
  const once = (): Ahead => {
    const { remaining, otherwise } = ahead(here(), 0);
    if (remaining === null) helpless.add(step);
    else helpless.delete(step);
    return { remaining, otherwise, slope: 0, units: 0 };
  };
  if (kind !== "value" || (like && !movesGoal(growth, step))) {
    const known = steady.get(step);
    if (known && units <= known.to) return { ...known.found, units: known.to - units };
    if (known && units < known.again) return once();
    const found = steadyAhead(growth, offer, step, units, here());
    const failures = found.units > 0 ? 0 : (known?.failures ?? 0) + 1;
    const again = failures === 0 ? units : units + Math.min(2 ** failures, LONGEST_PAUSE);
    steady.set(step, { found, to: units + found.units, failures, again });
    return found;
  }
  if (like || tariff.seesLineFigures || !likeFiller(tariff, growth.next)) return once();
  // Goods like filler: a unit of them here and a unit less of filler come to the same, so one forecast serves them all.
  const isWhole = growth.length !== null && units >= growth.length;
  const [kept, base] = isWhole ? [forecasts.whole, units] : [forecasts.begun, 1];
  const forecast =
    kept.get(step) ?? new FillerForecast(offer, step, growByFiller(growth, cartAfter(growth, base), offer.filler));
  kept.set(step, forecast);
  return ahead(forecast, units - base);
}

/**
 * Goals that value does not move: what remains stays as it is until some decision about a cart with filler of any
 * amount up to the goal would turn out another way. Between the ends of a stretch of filler none can turn first.
 */
function steadyAhead(
  growth: CartGrowth,
  offer: TariffOffer,
  step: TariffStep,
  units: number,
  forecast: FillerForecast,
): Ahead {
  // How long the first stretch is has to be known, too.
  forecast.extend();
  const found = ahead(forecast, 0);
  const turn = step.goal ? nextTurn(growth, step.goal.measure, units) : null;
  let steady = turn === null ? Number.POSITIVE_INFINITY : turn - units - 1;
  for (const [i, { from, to }] of forecast.stretches.entries()) {
    // Just before the first of them the goal is not met yet: more of what grows may meet it.
    const ends = [
      ...(i === 0 && from > 1 ? [from - 1] : []),
      from,
      ...(Number.isFinite(to) && to !== from ? [to] : []),
    ];
    for (const amount of ends) {
      const line = readLine(filler(offer.filler.kind, amount, offer.filler.like));
      const before = { ...growth.before, lines: [...growth.before.lines, line] };
      const horizon = new Horizon(Number.POSITIVE_INFINITY, true);
      const then = evaluateAlong(growthOf(growth, before), units, Number.POSITIVE_INFINITY, horizon);
      outcomeAt(offer, step, then);
      steady = Math.min(steady, then.horizon?.units ?? 0);
      if (steady === 0) return { ...found, slope: 0, units: 0 };
    }
  }
  return { ...found, slope: 0, units: steady };
}

/** Whether adding bits of a line is, for every value that is counted, like adding filler. */
function likeFiller(tariff: Tariff, line: ReadLine | null): boolean {
  if (!line) return true;
  const standard = line.taxRate === null || compare(line.taxRate, tariff.standardTax) === 0;
  const ordinary = readFiller("value", 1);
  const counted = tariff.measures.every(
    (measure) => measure.kind !== "value" || measure.value.counts(line) === measure.value.counts(ordinary),
  );
  const profits = tariff.offers.every(({ steps }) =>
    steps.every(
      ({ onOrder, reward }) =>
        (onOrder?.kind !== "percent" || onOrder.of(line)) &&
        (!reward?.goods || reward.goods.has(line) === reward.goods.has(ordinary)),
    ),
  );
  return standard && line.discount === 0 && counted && profits;
}

/** Whether what grows counts toward a step's goal. */
function movesGoal(growth: CartGrowth, { goal }: TariffStep): boolean {
  const measure = goal && growth.tariff.measures[goal.measure];
  return measure?.kind === "value" && measure.value.counts(growth.lineAt(1));
}

function pricesAt(now: Evaluation): Pick<ClimbInterval, "prices" | "offers"> {
  const priced = now.tariff.options.map(({ number }) => priceOption(number, now));
  return {
    prices: priced.map(({ price }) => (typeof price === "string" ? price : climbPrice(price))),
    offers: priced.map(({ used }) => used.map(({ offer }) => offer.id)),
  };
}

const climbPrice = (price: LinearAmount): ClimbPrice =>
  isZero(slopeOf(price)) ? roundHalfAway(exactOf(price)) : { start: exactOf(price), slope: slopeOf(price) };

/** Where a goal is met for good on the climb, or null when it is not met at its end. */
function flagOf(terms: Terms, sample: ReadCart, segments: readonly Segment[], { goal }: TariffStep): number | null {
  if (!goal) return null;
  const empty = evaluate(terms, { ...sample, lines: [] });
  let flag = empty.reaches(goal.measure, goal.least) === true ? 0 : null;
  for (const { after, length, growth } of segments) {
    const crossings = new Set([1, ...(growth.length === length ? [length] : [])]);
    for (let at = nextCrossing(growth, goal.measure, goal.least, 1); at !== null && at <= length; ) {
      crossings.add(at);
      at = nextCrossing(growth, goal.measure, goal.least, at);
    }
    for (const at of [...crossings].sort((a, b) => a - b)) {
      const met = (countAt(growth, goal.measure, at) ?? -1) >= goal.least;
      flag = met ? (flag ?? after + at) : null;
    }
  }
  return flag;
}

/** What a measure counts at shelf value x: the goal that a flag dragged to x stands for. */
export function countedAt(compiled: CompiledPlan, request: QuoteRequest, offer: string, x: number): number | null {
  const prepared = prepareRequest(compiled, request);
  const cart = readCart(cartAt(request.cart, x), "/cart");
  if ("problems" in prepared || "problems" in cart) return null;
  const [first] = prepared.there;
  const goal = first?.tariff.offers.find(({ id }) => id === offer)?.steps.find((step) => step.goal)?.goal;
  return first && goal ? evaluate({ ...first, unknownAs: false }, cart).count(goal.measure) : null;
}
