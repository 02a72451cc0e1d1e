import { type CartGrowth, crossing } from "../evaluate/cart-growth.ts";
import {
  evaluateBetween,
  type GrowthBetween,
  mayReachFrom,
  mustReachBy,
  type Reached,
} from "../evaluate/carts-between.ts";
import { Figures } from "../evaluate/figures-between.ts";
import { FURTHEST } from "../evaluate/growing-cart.ts";
import { oneOfMany } from "../evaluate/one-of-many.ts";
import { Horizon } from "../money/linear-amount.ts";
import { forksOf, type Tried, Ways } from "../money/ways.ts";
import { type Ahead, ahead, codeStands, FillerForecast, outcomeAt } from "../quote/progress/step-status.ts";
import type { TariffOffer, TariffStep } from "../tariff/tariff-offer.ts";
import { type Outcome, type Stretch, Stretches, within } from "./stretch-between.ts";

/** `remainingAt`: what remains after each number of units, where that is along no straight line. */
export type AheadOnClimb = Ahead & { readonly remainingAt?: (units: number) => number };

/** What was told of the units of a line up to `to`. */
export type ToldAhead = { readonly to: number; readonly at: (units: number) => AheadOnClimb };

/** Some units of a line, each of which may be looked at by itself. */
type Units = {
  /** Filler added after so many. */
  readonly filled: (units: number) => CartGrowth;
  /** Whether everything that is seen after so many is as it was a unit before. */
  readonly isAsBefore: (units: number) => boolean;
};

/** What adding filler to one of the carts does. */
type Told = Pick<Ahead, "remaining" | "otherwise">;

/** What is to be told from one unit up to another; or up to the furthest, where no goods help and that is the same for all. */
type Looked = {
  readonly from: number;
  readonly to: number;
  readonly furthest: number;
  /** How much remains at first, where that is what meets the goal. */
  readonly remaining: number | null;
  /** So many looks at stretches of filler each by itself would take. */
  readonly looks: number;
};

/**
 * What adding filler does for a step after each number of units of a line, told for all of them at once; null where that cannot be, or
 * would take more looks than each by itself.
 *
 * @param units none of which is unlike the others but for its worth
 */
export function aheadBetween(
  offer: TariffOffer,
  step: TariffStep,
  { filled, isAsBefore }: Units,
  looked: Looked,
): ToldAhead | null {
  const { from, to, furthest, remaining } = looked;
  const wide =
    remaining === null && furthest > to ? new LookBetween(offer, step, filled, { ...looked, to: furthest }) : null;
  const alike = wide?.alike ?? null;
  if (alike !== null && alike !== "unlike")
    return { to: furthest, at: (units) => ({ remaining, otherwise: alike, slope: 0, units: furthest - units }) };
  // Where goods help the first of them or a later one, what was looked at of all serves; else less of them may well be alike.
  const each = wide && alike ? wide.tells(null) : null;
  const [first, later] = [each?.(from), each?.(to)];
  const serves = first && later && (first.remaining !== null || later.remaining !== null);
  const tells = serves ? each : new LookBetween(offer, step, filled, looked).tells(remaining);
  const last = serves ? furthest : to;
  if (!tells) return null;
  const told: Told[] = [];
  for (let units = from; units <= last; units += 1) {
    const before = isAsBefore(units) ? told.at(-1) : undefined;
    const one = before ?? tells(units, told.at(-1));
    if (!one) break;
    told.push(one);
  }
  return toldOf(from, told);
}

const sayingOf = ({ remaining, otherwise }: Told) => (remaining === null ? otherwise : "remaining");

/** What was told of each number of units, from one on. */
function toldOf(from: number, told: readonly Told[]): ToldAhead {
  /** The last from each on of which the same can be said but for how much remains. */
  const ends: number[] = [];
  /** Whether as much remains of all that are told together. */
  let isEven = true;
  for (let i = told.length - 1; i >= 0; i -= 1) {
    const [one, next] = [told[i], told[i + 1]];
    const goesOn = one && next && sayingOf(one) === sayingOf(next);
    ends[i] = (goesOn ? ends[i + 1] : undefined) ?? i;
    if (goesOn && one.remaining !== next.remaining) isEven = false;
  }
  const remainingAt = (units: number) => told[units - from]?.remaining ?? 0;
  const last = from + told.length - 1;
  return {
    to: last,
    at: (units) => {
      const { remaining = null, otherwise = "blocked" } = told[units - from] ?? {};
      const more = (ends[units - from] ?? 0) + from - units;
      return { remaining, otherwise, slope: 0, units: more, ...(isEven ? {} : { remainingAt }) };
    },
  };
}

/** So many ways a stretch of filler may turn out: with more, each cart by itself is as quick. */
const MOST_WAYS = 32;

/** So many amounts of filler one of the carts is told of: a cart by itself is not given up before. */
const MOST_TOLD = 160;

/** Whether goods help none of some carts, and what that is called; unlike: they may help one of them, or it is not the same in all. */
type Alike = "covered" | "blocked" | "unlike";

/** What a step looks like in all carts between two as filler is added to them. */
class LookBetween {
  private readonly offer: TariffOffer;
  private readonly step: TariffStep;
  private readonly filled: Units["filled"];
  private readonly from: number;
  private readonly to: number;
  private readonly growth: GrowthBetween;
  /** Null where a code stands for it. */
  private readonly goal: Reached | null;
  /** The least filler with which the step may be reached in one of them; null: it is not. */
  private readonly first: number | null;
  private readonly stretches: Stretches;
  private known: Alike | null | undefined;
  /** So many times more a cart may be evaluated. */
  private left: number;
  constructor(
    offer: TariffOffer,
    step: TariffStep,
    filled: Units["filled"],
    { from, to, looks }: Pick<Looked, "from" | "to" | "looks">,
  ) {
    const growth = { least: filled(from), most: filled(to), figures: new Figures() };
    const stands = codeStands(step, growth.least.facts);
    this.offer = offer;
    this.step = step;
    this.filled = filled;
    this.from = from;
    this.to = to;
    this.growth = growth;
    this.left = (to - from) * looks;
    this.goal = stands ? null : step.goal;
    this.first = stands ? 1 : step.goal ? mayReachFrom(growth, step.goal) : null;
    this.stretches = this.stretchesWith(null);
    this.known = undefined;
  }
  /**
   * What tells of each of them; null where that would be no quicker than to look at each.
   *
   * @param remaining how much remains of the first, where that is what meets its goal
   */
  tells(remaining: number | null): ((units: number, before?: Told) => Told | null) | null {
    const metAt = this.crossings();
    if (remaining !== null && this.goal && this.meetingHelps(this.goal))
      return (units) => {
        const met = metAt(this.filled(units));
        return met === null ? null : { remaining: met, otherwise: "blocked" };
      };
    const { alike, stretches } = this;
    if (alike === null) return null;
    if (alike !== "unlike") return () => ({ remaining: null, otherwise: alike });
    return (units, before) => {
      const filled = this.filled(units);
      return this.tellOf(filled, metAt(filled), stretches, (before ?? { remaining }).remaining !== null);
    };
  }
  /** The least filler that meets the goal of each of them for good; null where none does. */
  private crossings(): (filled: CartGrowth) => number | null {
    const { goal, growth } = this;
    if (!goal) return () => 1;
    const { measure, least } = goal;
    // Only values move with what a line is worth.
    if (growth.least.tariff.measures[measure]?.kind === "value") return (filled) => crossing(filled, measure, least);
    const met = crossing(growth.least, measure, least);
    return () => met;
  }
  /** What it is called that goods help none of them, where that is the same for all; null where it is not told. */
  get alike(): Alike | null {
    if (this.known === undefined) this.known = this.alikeBy(this.stretches);
    return this.known;
  }
  private alikeBy(stretches: Stretches): Alike | null {
    const { first, goal, growth } = this;
    const last = goal ? mustReachBy(growth, goal) : first;
    let isCovered = false;
    let mayBe = false;
    for (let i = 0; ; i += 1) {
      const stretch = stretches.at(i);
      if (stretch === null) return null;
      if (stretch === undefined) return isCovered ? "covered" : mayBe ? "unlike" : "blocked";
      if (stretch.outcomes.has("better")) return "unlike";
      if (!stretch.outcomes.has("covered")) continue;
      mayBe = true;
      isCovered ||= stretch.outcomes.size === 1 && last !== null && stretch.to >= last;
    }
  }
  /** What is so in one of them, told by the stretches of all. @param mayLook whether goods helped the one before, so that looking at one is quick */
  private tellOf(filled: CartGrowth, met: number | null, stretches: Stretches, mayLook: boolean): Told | null {
    const { offer, step, growth } = this;
    const cart = oneOfMany(filled, growth);
    let from = met ?? Number.POSITIVE_INFINITY;
    let isCovered = false;
    let told = 0;
    for (let i = 0; from <= FURTHEST; i += 1) {
      let stretch = stretches.at(i);
      if (stretch === undefined) break;
      if (stretch && stretch.to < from) continue;
      const withinOf = (one: Stretch | null) => one && within(one, cart, Math.max(from, one.from), MOST_TOLD - told);
      let found = withinOf(stretch);
      if (!found) {
        stretch = stretches.shortened(i);
        found = withinOf(stretch);
      }
      if (!stretch || !found) return mayLook ? lookedFor(new FillerForecast(offer, step, filled, from)) : null;
      if (found.better !== null) return { remaining: found.better, otherwise: "blocked" };
      isCovered ||= found.isCovered;
      told += 1 + found.turns;
      from = Math.max(from, stretch.to + 1);
    }
    return { remaining: null, otherwise: isCovered ? "covered" : "blocked" };
  }
  /** Whether whatever filler meets the goal of one of them betters something there. */
  private meetingHelps(goal: Reached): boolean {
    const last = mustReachBy(this.growth, goal);
    if (this.first === null || last === null) return false;
    const stretches = this.stretchesWith(goal);
    for (let i = 0; ; i += 1) {
      const stretch = stretches.at(i);
      if (stretch?.outcomes.size !== 1 || !stretch.outcomes.has("better")) return false;
      if (stretch.to >= last) return true;
    }
  }
  /** @param met what all of them are taken to have reached */
  private stretchesWith(met: Reached | null): Stretches {
    return new Stretches(this.first, (from) => this.stretchFrom(from, met));
  }
  private stretchFrom(from: number, met: Reached | null): Stretch | null {
    const { offer, step, growth, first } = this;
    const ways = new Ways();
    const tried: Tried<Outcome>[] = [];
    let units = FURTHEST;
    do {
      if (tried.length === MOST_WAYS || this.left <= 0) return null;
      this.left -= 1;
      const horizon = new Horizon(FURTHEST, true, ways);
      const outcome = outcomeAt(offer, step, evaluateBetween(growth, from, horizon, met));
      if (horizon.units < 0) return null;
      tried.push({ outcome, decisions: ways.decisions() });
      units = Math.min(units, horizon.units);
    } while (ways.other());
    const outcomes = new Set(tried.map(({ outcome }) => outcome));
    const to = from + units;
    const near = outcomes.size === 1 ? to : Math.min(to, from + Math.max(this.to - this.from, from - (first ?? from)));
    return { from, to, near, outcomes, ways: forksOf(tried) };
  }
}

/** What is so where the least that is looked at is mostly too little. */
function lookedFor(forecast: FillerForecast): Told | null {
  forecast.extend();
  const { remaining, otherwise } = ahead(forecast, 0);
  return remaining === null ? null : { remaining, otherwise };
}
