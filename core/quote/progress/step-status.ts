import type { FillerKind } from "../../cart/read-cart.ts";
import type { Facts } from "../../situation/situation.ts";
import { sayable } from "../../measures/measure-spec.ts";
import type { StepState } from "../../messages/states.ts";
import { betters, inTime, offerHolds, reached, triggered, withinLimits } from "../options/price-option.ts";
import { situationAlong } from "../../evaluate/situation-of.ts";
import type { Tariff, TariffOffer, TariffStep } from "../../tariff/tariff.ts";
import { crossing, type Walk } from "../../evaluate/cart-growth.ts";
import { emptyMemo, type Weighed } from "../../evaluate/evaluation.ts";

export type StepStanding = { readonly state: StepState; readonly remaining: number | null };

/** What a step looks like as filler is added to a cart: stretches of filler over which it stands the same. */
export type Outlook = {
  readonly walk: Walk;
  readonly stretches: readonly Stretch[];
  /** Makes one more stretch; false when there are no more. */
  readonly extend: () => boolean;
};

type Stretch = { readonly from: number; readonly to: number; readonly outcome: "better" | "covered" | "none" };

/** Nobody is asked to add more than this many units, nor past so many changes of price beyond the goal. */
const FURTHEST = 2 ** 40;
const MOST_STRETCHES = 400;

export function outlookOf(
  tariff: Tariff,
  offer: TariffOffer,
  step: TariffStep,
  walk: Walk,
  unknownAs: boolean,
): Outlook {
  const stretches: Stretch[] = [];
  // A code that stands for the goal leaves only the offer's own conditions to be met.
  const stands = step.trigger === "goal-or-code" && [...walk.facts.codes].some((code) => step.codes.has(code));
  let next = stands ? 1 : step.goal ? crossing(walk, step.goal.measure, step.goal.least) : null;
  const extend = (): boolean => {
    if (next === null || next > FURTHEST || stretches.length >= MOST_STRETCHES) return false;
    const situation = situationAlong(walk, next, unknownAs, FURTHEST);
    const outcome = outcomeAt(tariff, offer, step, situation);
    const units = situation.horizon?.units ?? 0;
    const to = units >= FURTHEST ? Number.POSITIVE_INFINITY : next + units;
    stretches.push({ from: next, to, outcome });
    next = to === Number.POSITIVE_INFINITY ? null : to + 1;
    return true;
  };
  return { walk, stretches, extend };
}

export function outcomeAt(
  tariff: Tariff,
  offer: TariffOffer,
  step: TariffStep,
  situation: Weighed,
): Stretch["outcome"] {
  if (!reached(offer, step, situation)) return "none";
  const outcome = betters(tariff, step, situation);
  return outcome === "better" ? "better" : outcome === "no-better" ? "covered" : "none";
}

/**
 * How much filler is still to be added once `added` units of it are there. `units` is for how many more that stays so,
 * with what remains falling by one for each (`slope` −1) or staying (0).
 */
export type Ahead = {
  readonly remaining: number | null;
  readonly covered: boolean;
  readonly slope: 0 | -1;
  readonly units: number;
};

export function ahead(outlook: Outlook, added: number): Ahead {
  let coveredTo = 0;
  for (let i = 0; i < outlook.stretches.length || outlook.extend(); i += 1) {
    const stretch = outlook.stretches[i];
    if (!stretch || stretch.to <= added) continue;
    if (stretch.outcome === "covered") coveredTo = stretch.to;
    if (stretch.outcome !== "better") continue;
    const remaining = Math.max(stretch.from, added + 1) - added;
    return remaining > 1
      ? { remaining, covered: false, slope: -1, units: remaining - 1 }
      : { remaining, covered: false, slope: 0, units: stretch.to - 1 - added };
  }
  const units = coveredTo > 0 ? coveredTo - 1 - added : Number.POSITIVE_INFINITY;
  return { remaining: null, covered: coveredTo > 0, slope: 0, units };
}

/**
 * What remains as it can be said: the least such amount that earns the step and betters something; null when there is none,
 * so that nothing is promised.
 */
export function asSaid(outlook: Outlook, kind: FillerKind, remaining: number): number | null {
  let said = sayable(kind, remaining);
  for (let i = 0; i < outlook.stretches.length || outlook.extend(); i += 1) {
    const stretch = outlook.stretches[i];
    if (stretch?.outcome !== "better" || stretch.to < said) continue;
    said = sayable(kind, Math.max(said, stretch.from));
    if (said <= stretch.to) return said;
  }
  return null;
}

/**
 * Where a step stands now. `remaining` is the least filler that earns the step and betters something; one unit less does
 * not. It is null in every state but `empty` and `on-the-way`.
 *
 * @param aheadNow what adding goods would do; asked only when that matters
 */
export function standing(
  tariff: Tariff,
  offer: TariffOffer,
  step: TariffStep,
  now: Weighed,
  aheadNow: () => Pick<Ahead, "remaining" | "covered">,
): StepStanding {
  if (reached(offer, step, now)) {
    return { state: betters(tariff, step, now) === "better" ? "reached" : "covered", remaining: null };
  }
  const out = inTheWay(offer, now) ?? (luresIn(tariff, offer, step, now) ? "sign-in" : null);
  if (out) return { state: out, remaining: null };
  if (lacksCode(step, now)) return { state: withCode(tariff, offer, step, now), remaining: null };
  if (!step.goal) return { state: "blocked", remaining: null };
  if (now.count(step.goal.measure) === null && offerHolds(offer, now))
    return { state: "weight-unknown", remaining: null };
  const { remaining, covered } = aheadNow();
  if (remaining === null) return { state: covered ? "covered" : "blocked", remaining };
  return { state: now.lines.length === 0 ? "empty" : "on-the-way", remaining };
}

/** What keeps an offer from anybody: its time, or how often it has been used. */
function inTheWay(offer: TariffOffer, now: Weighed): "ended" | "not-yet" | "used-up" | null {
  if (!inTime(offer, now)) return offer.schedule?.every(([, end]) => end <= now.facts.at) ? "ended" : "not-yet";
  return withinLimits(offer, now) === false ? "used-up" : null;
}

const lacksCode = (step: TariffStep, now: Weighed): boolean =>
  (step.trigger === "code" || step.trigger === "goal-and-code") &&
  triggered({ ...step, trigger: "code" }, now) !== true;

/** Whether a code is all that is missing; no goods stand for it. */
function withCode(tariff: Tariff, offer: TariffOffer, step: TariffStep, now: Weighed): StepState {
  const [code] = step.codes;
  if (code === undefined) return "blocked";
  const facts: Facts = { ...now.facts, codes: new Set([...now.facts.codes, code]) };
  const entered: Weighed = { ...now, facts, memo: emptyMemo() };
  if (!reached(offer, step, entered)) return "blocked";
  return betters(tariff, step, entered) === "better" ? "code-missing" : "covered";
}

/** Whether only signing in is missing for an offer that says so, and doing it would not leave the step without use. */
function luresIn(tariff: Tariff, offer: TariffOffer, step: TariffStep, now: Weighed): boolean {
  const { shopper } = now.facts;
  if (!offer.offer.signInLure || shopper.signedIn === true || offerHolds(offer, now)) return false;
  const facts: Facts = { ...now.facts, shopper: { ...shopper, signedIn: true } };
  const signedIn: Weighed = { ...now, facts, memo: emptyMemo() };
  if (!offerHolds(offer, signedIn)) return false;
  return !reached(offer, step, signedIn) || betters(tariff, step, signedIn) === "better";
}
