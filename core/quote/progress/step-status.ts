import type { FillerKind } from "../../cart/read-cart.ts";
import { type CartGrowth, crossing } from "../../evaluate/cart-growth.ts";
import type { Evaluation } from "../../evaluate/evaluation.ts";
import { evaluateAfter, evaluateFiller, FURTHEST } from "../../evaluate/growing-cart.ts";
import { sayable } from "../../measures/measure-spec.ts";
import type { StepState } from "../../messages/states.ts";
import { type Facts, factsWith } from "../../situation/situation.ts";
import type { TariffOffer, TariffStep } from "../../tariff/tariff-offer.ts";
import { hasCode, improves, inTime, offerHolds, reached, withinLimits } from "../options/price-option.ts";

export type StepStatus = { readonly state: StepState; readonly remaining: number | null };

type ForecastStretch = { readonly from: number; readonly to: number; readonly outcome: "better" | "covered" | "none" };

/** So many stretches are tried: by far more than plans need. What lies beyond them is not known. */
const MOST_STRETCHES = 400;
/** With so many, what is kept of them from one amount to the next saves more than looking at one amount alone. */
const MANY_OFFERS = 40;

/** What a step looks like as filler is added to a cart: stretches of filler over which it stands the same. */
export class FillerForecast {
  readonly growth: CartGrowth;
  readonly stretches: ForecastStretch[] = [];
  private readonly offer: TariffOffer;
  private readonly step: TariffStep;
  /** The least filler that is looked at. */
  private readonly begin: number | null;
  private next: number | null;
  private isBetterAtOnce: boolean | undefined;

  /** @param from less than so much filler is known to better nothing */
  constructor(offer: TariffOffer, step: TariffStep, growth: CartGrowth, from = 1) {
    this.growth = growth;
    this.offer = offer;
    this.step = step;
    const met = codeStands(step, growth.facts)
      ? 1
      : step.goal
        ? crossing(growth, step.goal.measure, step.goal.least)
        : null;
    this.begin = met !== null && met <= FURTHEST ? Math.max(met, from) : null;
    this.next = this.begin;
  }

  /** Makes one more stretch; false when there are no more, or no more are tried. */
  extend(): boolean {
    const { growth, offer, step, stretches, next } = this;
    if (next === null || stretches.length >= MOST_STRETCHES) return false;
    const situation = evaluateFiller(growth, next);
    const outcome = outcomeAt(offer, step, situation);
    const units = situation.horizon?.units ?? 0;
    const to = units >= FURTHEST ? Number.POSITIVE_INFINITY : next + units;
    stretches.push({ from: next, to, outcome });
    this.next = to < FURTHEST ? to + 1 : null;
    return true;
  }

  /** Whether it was given up before all there are. */
  gaveUp(): boolean {
    return this.next !== null && this.stretches.length >= MOST_STRETCHES;
  }

  /**
   * The least filler that meets the goal, if so much betters something: mostly it does, and nothing else has to be looked at.
   * Null too once there are stretches, which tell it as well.
   */
  atOnce(): number | null {
    const { begin, growth, offer, step, stretches } = this;
    if (stretches.length > 0 || growth.tariff.offers.length >= MANY_OFFERS) return null;
    this.isBetterAtOnce ??= begin !== null && outcomeAt(offer, step, evaluateAfter(growth, begin)) === "better";
    return this.isBetterAtOnce ? begin : null;
  }
}

/** Whether a code stands for the goal: it leaves only the offer's own conditions to be met. */
export const codeStands = (step: TariffStep, facts: Facts): boolean =>
  step.trigger.codeRole === "stands-for-goal" && hasCode(step, facts);

export function outcomeAt(offer: TariffOffer, step: TariffStep, situation: Evaluation): ForecastStretch["outcome"] {
  if (!reached(offer, step, situation)) return "none";
  const outcome = improves(offer, step, situation);
  return outcome === "better" ? "better" : outcome === "no-better" ? "covered" : "none";
}

/**
 * How much filler is still to be added once `added` units of it are there. `units` is for how many more that stays so,
 * with what remains falling by one for each (`slope` −1) or staying (0).
 */
export type Ahead = {
  readonly remaining: number | null;
  /** Why no more of it helps, where none does. */
  readonly otherwise: "covered" | "blocked" | "unsettled";
  readonly slope: 0 | -1;
  readonly units: number;
};

export function ahead(forecast: FillerForecast, added: number): Ahead {
  const atOnce = (forecast.atOnce() ?? 0) - added;
  if (atOnce > 1) return { remaining: atOnce, otherwise: "blocked", slope: -1, units: atOnce - 1 };
  let coveredTo = 0;
  for (let i = 0; i < forecast.stretches.length || forecast.extend(); i += 1) {
    const stretch = forecast.stretches[i];
    if (!stretch || stretch.to <= added) continue;
    if (stretch.outcome === "covered") coveredTo = stretch.to;
    if (stretch.outcome !== "better") continue;
    const remaining = Math.max(stretch.from, added + 1) - added;
    const otherwise = "blocked";
    return remaining > 1
      ? { remaining, otherwise, slope: -1, units: remaining - 1 }
      : { remaining, otherwise, slope: 0, units: stretch.to - 1 - added };
  }
  const units = coveredTo > 0 ? coveredTo - 1 - added : Number.POSITIVE_INFINITY;
  const otherwise = forecast.gaveUp() ? "unsettled" : coveredTo > 0 ? "covered" : "blocked";
  return { remaining: null, otherwise, slope: 0, units };
}

/**
 * What remains as it can be said: the least such amount that earns the step and betters something; null when there is none,
 * so that nothing is promised.
 */
export function asSaid(forecast: FillerForecast, kind: FillerKind, remaining: number): number | null {
  let said = sayable(kind, remaining);
  if (said === forecast.atOnce()) return said;
  for (let i = 0; i < forecast.stretches.length || forecast.extend(); i += 1) {
    const stretch = forecast.stretches[i];
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
export function stepStatus(
  offer: TariffOffer,
  step: TariffStep,
  now: Evaluation,
  aheadNow: () => Pick<Ahead, "remaining" | "otherwise">,
): StepStatus {
  if (reached(offer, step, now)) {
    return { state: improves(offer, step, now) === "better" ? "reached" : "covered", remaining: null };
  }
  const out = inTheWay(offer, now) ?? (onlySignInMissing(offer, step, now) ? "sign-in" : null);
  if (out) return { state: out, remaining: null };
  if (lacksCode(step, now)) return { state: withCode(offer, step, now), remaining: null };
  if (!step.goal || isBarred(offer, now)) return { state: "blocked", remaining: null };
  if (now.count(step.goal.measure) === null && offerHolds(offer, now))
    return { state: "weight-unknown", remaining: null };
  const { remaining, otherwise } = aheadNow();
  if (remaining === null) return { state: otherwise, remaining };
  return { state: now.lines.length === 0 ? "empty" : "on-the-way", remaining };
}

/** Whether an offer is kept from a shopper by what no goods change. */
const isBarred = (offer: TariffOffer, now: Evaluation): boolean =>
  (!offer.when || offer.when.sees === "facts") && !offerHolds(offer, now);

/** What keeps an offer from anybody: its time, or how often it has been used. */
function inTheWay(offer: TariffOffer, now: Evaluation): "ended" | "not-yet" | "used-up" | null {
  if (!inTime(offer, now)) return offer.schedule?.every(([, end]) => end <= now.facts.at) ? "ended" : "not-yet";
  return withinLimits(offer, now) === false ? "used-up" : null;
}

const lacksCode = (step: TariffStep, now: Evaluation): boolean =>
  step.trigger.codeRole === "needed" && !hasCode(step, now.facts);

/** Whether a code is all that is missing; no goods stand for it. */
function withCode(offer: TariffOffer, step: TariffStep, now: Evaluation): StepState {
  const [code] = step.codes;
  if (code === undefined) return "blocked";
  const facts = factsWith(now.facts, { codes: new Set([...now.facts.codes, code]) });
  const entered = now.anew({ facts });
  if (!reached(offer, step, entered)) return "blocked";
  return improves(offer, step, entered) === "better" ? "code-missing" : "covered";
}

/** Whether only signing in is missing for an offer that says so, and doing it would not leave the step without use. */
function onlySignInMissing(offer: TariffOffer, step: TariffStep, now: Evaluation): boolean {
  const { shopper } = now.facts;
  if (!offer.offer.signInLure || shopper.signedIn === true || offerHolds(offer, now)) return false;
  const facts = factsWith(now.facts, { shopper: { ...shopper, signedIn: true } });
  const signedIn = now.anew({ facts });
  if (!offerHolds(offer, signedIn)) return false;
  return !reached(offer, step, signedIn) || improves(offer, step, signedIn) === "better";
}
