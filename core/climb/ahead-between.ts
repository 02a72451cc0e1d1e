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
import { type Forks, forksOf, type OneOfMany, type Tried, type Turning, Ways } from "../money/ways.ts";
import { type Ahead, ahead, codeStands, FillerForecast, outcomeAt } from "../quote/progress/step-status.ts";
import type { TariffOffer, TariffStep } from "../tariff/tariff-offer.ts";

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

/** What was found after `from` units, by so many looks at stretches of filler; it is to be told up to `to`. */
type Looked = {
  readonly from: number;
  readonly to: number;
  readonly found: Pick<Ahead, "remaining" | "otherwise">;
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
  const { from, to, found } = looked;
  if (found.remaining === null)
    return found.otherwise === "unsettled" ? null : helpless(offer, step, filled, looked, found.otherwise);
  const look = new LookBetween(offer, step, filled, looked);
  const remains = look.remains(found.remaining);
  if (!remains) return null;
  const remaining: number[] = [];
  for (let units = from; units <= to; units += 1) {
    const before = isAsBefore(units) ? remaining.at(-1) : undefined;
    const one = before ?? remains(filled(units));
    if (one === null) break;
    remaining.push(one);
  }
  return toldOf(from, remaining);
}

/** So often fewer of them are looked at, where all of them cannot be told together. */
const MOST_SHORTER = 3;

/** That no goods help, up to the last of which that is known and called the same; null where that is not told. */
function helpless(
  offer: TariffOffer,
  step: TariffStep,
  filled: Units["filled"],
  { from, to: furthest, looks }: Looked,
  otherwise: "covered" | "blocked",
): ToldAhead | null {
  let to = furthest;
  for (let shorter = 0; shorter <= MOST_SHORTER && to > from; shorter += 1) {
    const found = new LookBetween(offer, step, filled, { from, to, looks }).noGoodsHelp(otherwise);
    if (found.isTold) return toldHelpless(found.to, otherwise);
    if (found.to === to) return null;
    to = found.to;
  }
  return null;
}

const toldHelpless = (to: number, otherwise: "covered" | "blocked"): ToldAhead => ({
  to,
  at: (units) => ({ remaining: null, otherwise, slope: 0, units: to - units }),
});

/** What remains after each number of units, from one on. */
function toldOf(from: number, remaining: readonly number[]): ToldAhead {
  const [first = 0] = remaining;
  const last = from + remaining.length - 1;
  const remainingAt = (units: number) => remaining[units - from] ?? first;
  const along = remaining.every((one) => one === first) ? {} : { remainingAt };
  return {
    to: last,
    at: (units) => ({ remaining: remainingAt(units), otherwise: "blocked", slope: 0, units: last - units, ...along }),
  };
}

/** So many ways a stretch of filler may turn out: with more, each cart by itself is as quick. */
const MOST_WAYS = 32;

type Outcome = ReturnType<typeof outcomeAt>;

type Stretch = {
  readonly from: number;
  to: number;
  /** Where it may be the same in all of them a little further on, how far it is worth looking. */
  readonly near: number;
  /** What may come of it in one of the carts or another. */
  readonly outcomes: ReadonlySet<Outcome>;
  /** How it turns out in each of them. */
  readonly ways: Forks<Outcome>;
};

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
  }
  /**
   * The last up to which no goods help and that is called the same as of the first; or, where that is not told, up to which it may be.
   *
   * @param otherwise how it is called of the first
   */
  noGoodsHelp(otherwise: "covered" | "blocked"): { readonly isTold: boolean; readonly to: number } {
    const { first, goal, growth } = this;
    let { to } = this;
    const last = goal ? mustReachBy(growth, goal) : first;
    let isCovered = false;
    const mayCover: Stretch[] = [];
    for (const stretch of this.stretches(null)) {
      if (!stretch) return { isTold: false, to };
      const { outcomes } = stretch;
      if (outcomes.has("better")) {
        const helpless = () => this.lastWhere(to, (units) => this.hasIn(units, stretch, "better") === false);
        if (helpless() < to) {
          stretch.to = stretch.near;
          const nearby = helpless();
          if (nearby < to) return { isTold: false, to: nearby };
        }
      }
      if (!outcomes.has("covered")) continue;
      if (outcomes.size === 1 && last !== null && stretch.to >= last) isCovered = true;
      else mayCover.push(stretch);
    }
    if (isCovered || mayCover.length === 0) return { isTold: true, to };
    to = this.lastWhere(to, (units) => this.isCoveredIn(units, mayCover) === (otherwise === "covered"));
    return { isTold: true, to };
  }
  /** The last up to which something is so, of which it is known of the first. */
  private lastWhere(to: number, isSo: (units: number) => boolean): number {
    for (let units = this.from + 1; units <= to; units += 1) if (!isSo(units)) return units - 1;
    return to;
  }
  /** Whether one of them is covered in one of some stretches; null where that is not told. */
  private isCoveredIn(units: number, stretches: readonly Stretch[]): boolean | null {
    for (const stretch of stretches) {
      const isCovered = this.hasIn(units, stretch, "covered");
      if (isCovered !== false) return isCovered;
    }
    return false;
  }
  /** Whether one of them turns out so in a stretch, as long as its goal is met for good; null where that is not told. */
  private hasIn(units: number, stretch: Stretch, outcome: Outcome): boolean | null {
    const { cart, met } = this.cartAt(units);
    const found = firstWith(outcome, stretch, cart, Math.max(met, stretch.from));
    return found === null ? null : found <= stretch.to;
  }
  private readonly carts = new Map<number, { readonly cart: OneOfMany; readonly met: number }>();
  private cartAt(units: number) {
    const known = this.carts.get(units);
    if (known) return known;
    const filled = this.filled(units);
    const one = { cart: oneOfMany(filled, this.growth), met: this.metFrom(filled) };
    this.carts.set(units, one);
    return one;
  }
  /** The least filler that meets the goal for good. */
  private metFrom(filled: CartGrowth): number {
    const { goal } = this;
    return goal ? (crossing(filled, goal.measure, goal.least) ?? Number.POSITIVE_INFINITY) : 1;
  }
  /** What tells how much filler remains in one of them; null where that would be no quicker than to look at each. */
  remains(remaining: number): ((filled: CartGrowth) => number | null) | null {
    const { growth, goal } = this;
    if (goal && remaining === crossing(growth.least, goal.measure, goal.least) && this.meetingHelps(goal)) {
      // Only values move with what a line is worth.
      const isValue = growth.least.tariff.measures[goal.measure]?.kind === "value";
      return isValue ? (filled) => crossing(filled, goal.measure, goal.least) : () => remaining;
    }
    const stretchAt = listed(this.stretches(null));
    for (let i = 0; ; i += 1) {
      const stretch = stretchAt(i);
      if (!stretch) return null;
      if (stretch.outcomes.has("better")) return (filled) => this.remainsIn(filled, stretchAt);
    }
  }
  /** How much filler remains in one of them, told by the stretches of all. */
  private remainsIn(filled: CartGrowth, stretchAt: (i: number) => Stretch | null | undefined): number | null {
    const { offer, step, growth } = this;
    const cart = oneOfMany(filled, growth);
    let from = this.metFrom(filled);
    for (let i = 0; from <= FURTHEST; i += 1) {
      const stretch = stretchAt(i);
      if (stretch === undefined) return null;
      if (stretch && stretch.to < from) continue;
      const turn = stretch && firstWith("better", stretch, cart, Math.max(from, stretch.from));
      if (!stretch || turn === null) return lookedFor(new FillerForecast(offer, step, filled, from));
      if (turn <= stretch.to) return turn;
      from = stretch.to + 1;
    }
    return null;
  }
  /** Whether whatever filler meets the goal of one of them betters something there. */
  private meetingHelps(goal: Reached): boolean {
    const last = mustReachBy(this.growth, goal);
    if (this.first === null || last === null) return false;
    for (const stretch of this.stretches(goal)) {
      if (stretch?.outcomes.size !== 1 || !stretch.outcomes.has("better")) return false;
      if (stretch.to >= last) return true;
    }
    return false;
  }
  /** One after the other; null where it cannot be told, and then there are no more. @param met what they are all taken to have reached */
  private *stretches(met: Reached | null): Generator<Stretch | null, void> {
    let from = this.first;
    while (from !== null && from <= FURTHEST) {
      const stretch: Stretch | null = this.stretchFrom(from, met);
      yield stretch;
      from = stretch && stretch.to + 1;
    }
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

/** So often decisions may turn about before one of the carts is told by itself. */
const MOST_TURNS = 160;

/**
 * The least filler, `start` at least, that turns out so in one of the carts as long as a stretch stands; Infinity where none does; null
 * where that is not told.
 */
function firstWith(outcome: Outcome, stretch: Stretch, cart: OneOfMany, start: number): number | null {
  if (!stretch.outcomes.has(outcome)) return Number.POSITIVE_INFINITY;
  let at = start;
  for (let turns = 0; turns < MOST_TURNS && at <= stretch.to; turns += 1) {
    const found = wayAt(stretch, cart, at);
    if (!found) return null;
    if (found.outcome === outcome) return at;
    let units = Number.POSITIVE_INFINITY;
    for (const { turnsIn } of found.turnings) {
      const turn = turnsIn(stretch.to - at);
      if (turn === null) return null;
      units = Math.min(units, turn);
    }
    at += units;
  }
  return at > stretch.to ? Number.POSITIVE_INFINITY : null;
}

/** Which way one of the carts turns out with so much filler; null where that is not told. */
function wayAt(
  { from, ways }: Stretch,
  cart: OneOfMany,
  at: number,
): { readonly outcome: Outcome; readonly turnings: readonly Turning[] } | null {
  const turnings: Turning[] = [];
  let way = ways;
  while (way.kind === "fork") {
    const turning = way.decision.turnsOut(cart, at - from);
    if (!turning) return null;
    turnings.push(turning);
    way = turning.yes ? way.yes : way.no;
  }
  return { outcome: way.outcome, turnings };
}

/** The first of some, and so on, each made when it is asked for; undefined where there are no more. */
function listed<T>(all: Iterator<T, void>): (i: number) => T | undefined {
  const made: T[] = [];
  return (i) => {
    while (made.length <= i) {
      const next = all.next();
      if (next.done) return undefined;
      made.push(next.value);
    }
    return made[i];
  };
}

/** What remains where the least of it that is looked at is mostly too little. */
function lookedFor(forecast: FillerForecast): number | null {
  forecast.extend();
  return ahead(forecast, 0).remaining;
}
