import type { ReadCart } from "../cart/read-cart.ts";
import { countAt, fillersFor, nextCrossing } from "../evaluate/cart-growth.ts";
import type { Evaluation, Terms } from "../evaluate/evaluation.ts";
import { evaluateAlong } from "../evaluate/growing-cart.ts";
import { evaluate } from "../evaluate/one-cart.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import { straightAfter } from "../money/linear-amount.ts";
import { isZero, roundHalfAway } from "../money/rational.ts";
import { phrase } from "../phrases/phrase.ts";
import { priceOption } from "../quote/options/price-option.ts";
import { ahead, FillerForecast, stepStatus } from "../quote/progress/step-status.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { Problem } from "../schema/problem.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import type { TariffOffer, TariffStep } from "../tariff/tariff-offer.ts";
import { aheadAlong } from "./ahead-along.ts";
import type { AheadOnClimb } from "./ahead-between.ts";
import type { Climb, ClimbInterval, ClimbPrice, ClimbStep } from "./interval.ts";
import { joined } from "./joined.ts";
import { type Segment, segmentsOf } from "./segment.ts";

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
  const terms: Terms = { tariff: first.tariff, facts: first.facts, unknownAs: false };
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

function emptyCart(terms: Terms, sample: ReadCart, form: ClimbForm): ClimbInterval {
  const cart = { ...sample, lines: [] };
  const now = evaluate(terms, cart);
  const fillers = fillersFor(terms, () => cart);
  const steps = offersIn(terms, form).flatMap((offer) =>
    offer.steps.map((step): ClimbStep => {
      const { state, remaining } = stepStatus(offer, step, now, () =>
        ahead(new FillerForecast(offer, step, fillers(offer.filler)), 0),
      );
      return { state, remaining: remaining === null ? null : { start: remaining, slope: 0 } };
    }),
  );
  const { pricesAfter, offers } = pricesAlong(now);
  return { from: 0, to: 0, prices: pricesAfter(0).prices, offers, steps };
}

const offersIn = ({ tariff }: Terms, { progress = true }: ClimbForm) => (progress ? tariff.offers : []);

function climbSegment(segment: Segment, form: ClimbForm): ClimbInterval[] {
  const { after, length, growth, isAsBefore } = segment;
  const intervals: ClimbInterval[] = [];
  const aheadAt = aheadAlong(segment);
  for (let units = 1; units <= length; ) {
    const last = intervals.at(-1);
    if (last && last.from === last.to && isAsBefore(units)) {
      const { prices, offers, steps } = last;
      intervals.push({ from: after + units, to: after + units, prices, offers, steps });
      units += 1;
      continue;
    }
    const now = evaluateAlong(growth, units, length - units);
    const { pricesAfter, offers } = pricesAlong(now);
    const steps = offersIn(growth, form).flatMap((offer) =>
      offer.steps.map((step) => stepAlong(offer, step, now, units, () => aheadAt(offer, step, units))),
    );
    const [begin, end] = [units, units + (now.horizon?.units ?? 0)];
    const isStraight = steps.every(({ isStraight }) => isStraight);
    while (units <= end) {
      const { prices, straight } = pricesAfter(units - begin);
      // What is along no straight line is told unit by unit.
      const to = isStraight ? Math.min(end, units + straight) : units;
      intervals.push({ from: after + units, to: after + to, prices, offers, steps: steps.map(({ at }) => at(units)) });
      units = to + 1;
    }
  }
  return intervals;
}

/** Where a step stands after so many units and as many more as its horizon has. */
function stepAlong(
  offer: TariffOffer,
  step: TariffStep,
  now: Evaluation,
  units: number,
  aheadNow: () => AheadOnClimb,
): { readonly isStraight: boolean; readonly at: (units: number) => ClimbStep } {
  let slope: 0 | -1 = 0;
  let remainingAt: AheadOnClimb["remainingAt"];
  const { state, remaining } = stepStatus(offer, step, now, () => {
    const found = aheadNow();
    now.horizon?.limit(found.units);
    ({ slope, remainingAt } = found);
    return found;
  });
  if (remaining === null) return { isStraight: true, at: () => ({ state, remaining }) };
  const startAt = remainingAt ?? ((at: number) => remaining + slope * (at - units));
  return { isStraight: !remainingAt, at: (at) => ({ state, remaining: { start: startAt(at), slope } }) };
}

type PricesAlong = {
  /** What options cost after so many more units, and for how many more they go straight on then. */
  readonly pricesAfter: (units: number) => { readonly prices: ClimbPrice[]; readonly straight: number };
  readonly offers: ClimbInterval["offers"];
};

/** What options cost as long as decisions stand. */
function pricesAlong(now: Evaluation): PricesAlong {
  const priced = now.tariff.options.map(({ number }) => priceOption(number, now));
  const pricesAfter = (units: number) => {
    let straight = Number.POSITIVE_INFINITY;
    const prices = priced.map(({ price }): ClimbPrice => {
      if (typeof price !== "object") return price;
      const { at, slope, units: more } = straightAfter(price, units);
      straight = Math.min(straight, more);
      return isZero(slope) ? roundHalfAway(at) : { start: at, slope };
    });
    return { prices, straight };
  };
  return { pricesAfter, offers: priced.map(({ used }) => used.map(({ offer }) => offer.id)) };
}

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
