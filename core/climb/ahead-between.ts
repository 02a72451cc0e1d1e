import { type CartGrowth, countAt, crossing, nextCrossing } from "../evaluate/cart-growth.ts";
import {
  evaluateBetween,
  type GrowthBetween,
  mayReachFrom,
  mustReachBy,
  type Reached,
} from "../evaluate/carts-between.ts";
import { FURTHEST } from "../evaluate/growing-cart.ts";
import { Horizon } from "../money/linear-amount.ts";
import { floor } from "../money/rational.ts";
import { Ways } from "../money/ways.ts";
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
  { from, to, found, looks }: Looked,
): ToldAhead | null {
  const look = new LookBetween(offer, step, { least: filled(from), most: filled(to) }, to - from, looks);
  if (found.remaining === null) {
    const otherwise = found.otherwise === "unsettled" ? null : look.noGoodsHelp();
    return otherwise && { to, at: (units) => ({ remaining: null, otherwise, slope: 0, units: to - units }) };
  }
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
const MOST_WAYS = 16;

type Outcome = ReturnType<typeof outcomeAt>;

type Stretch = {
  readonly from: number;
  readonly to: number;
  /** What may come of it in one of the carts or another. */
  readonly outcomes: ReadonlySet<Outcome>;
  /** What has to be reached for it to be better, where that alone decides. */
  readonly betterWhen: Reached | null;
};

/** What a step looks like in all carts between two as filler is added to them. */
class LookBetween {
  private readonly offer: TariffOffer;
  private readonly step: TariffStep;
  private readonly growth: GrowthBetween;
  private readonly width: number;
  /** Null where a code stands for it. */
  private readonly goal: Reached | null;
  /** The least filler with which the step may be reached in one of them; null: it is not. */
  private readonly first: number | null;
  /** So many times more a cart may be evaluated. */
  private left: number;
  constructor(offer: TariffOffer, step: TariffStep, growth: GrowthBetween, width: number, looks: number) {
    this.offer = offer;
    this.step = step;
    this.growth = growth;
    this.width = width;
    this.left = width * looks;
    const stands = codeStands(step, growth.least.facts);
    this.goal = stands ? null : step.goal;
    this.first = stands ? 1 : step.goal ? mayReachFrom(growth, step.goal) : null;
  }
  /** How it is called that no goods help any of them; null where they may, or it is not the same for all. */
  noGoodsHelp(): "covered" | "blocked" | null {
    const { first, goal } = this;
    if (first === null) return "blocked";
    const last = goal ? mustReachBy(this.growth, goal) : first;
    let isCovered = false;
    let mayBe = false;
    for (const stretch of this.stretches(null)) {
      if (!stretch || stretch.outcomes.has("better")) return null;
      if (!stretch.outcomes.has("covered")) continue;
      mayBe = true;
      isCovered ||= stretch.outcomes.size === 1 && last !== null && stretch.to >= last;
    }
    if (isCovered) return "covered";
    return mayBe ? null : "blocked";
  }
  /** What tells how much filler remains in one of them; null where that would be no quicker than to look at each. */
  remains(remaining: number): ((filled: CartGrowth) => number | null) | null {
    const { offer, step, growth, goal } = this;
    if (goal && remaining === crossing(growth.least, goal.measure, goal.least)) {
      if (!this.meetingHelps(goal)) return null;
      // Only values move with what a line is worth.
      const isValue = growth.least.tariff.measures[goal.measure]?.kind === "value";
      return isValue ? (filled) => crossing(filled, goal.measure, goal.least) : () => remaining;
    }
    const stretch = this.firstToHelp();
    if (!stretch) return null;
    const { from, to, betterWhen } = stretch;
    // Until the goal is met for good in each of them, that decides too.
    const met = goal ? mustReachBy(growth, goal) : from;
    const when = met !== null && met <= from ? betterWhen : null;
    return (filled) => {
      const turn = when && reachedFrom(filled, when, from);
      if (turn && turn <= to) return turn;
      const forecast = new FillerForecast(offer, step, filled, from);
      // In most of them it takes more.
      forecast.extend();
      return ahead(forecast, 0).remaining;
    };
  }
  private firstToHelp(): Stretch | null {
    for (const stretch of this.stretches(null)) if (!stretch || stretch.outcomes.has("better")) return stretch;
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
    const { offer, step, growth, width, first } = this;
    const ways = new Ways();
    const tried: Tried[] = [];
    let units = FURTHEST;
    do {
      if (tried.length === MOST_WAYS || this.left <= 0) return null;
      this.left -= 1;
      const horizon = new Horizon(FURTHEST, true, ways);
      const outcome = outcomeAt(offer, step, evaluateBetween(growth, from, horizon, met));
      if (horizon.units < 0) return null;
      tried.push({ outcome, sole: ways.sole() });
      units = Math.min(units, horizon.units);
    } while (ways.other());
    const outcomes = new Set(tried.map(({ outcome }) => outcome));
    // Where it is not the same in all of them, it may be a little further on.
    const most = outcomes.size === 1 ? FURTHEST : Math.max(width, from - (first ?? from));
    return { from, to: from + Math.min(units, most), outcomes, betterWhen: betterWhen(tried) };
  }
}

type Tried = { readonly outcome: Outcome; readonly sole: ReturnType<Ways["sole"]> };

/** What has to be reached for it to be better, where that was the sole decision. */
function betterWhen(tried: readonly Tried[]): Reached | null {
  const claim = tried[0]?.sole?.claim;
  if (tried.length !== 2 || typeof claim?.about !== "number") return null;
  const decides = tried.every(({ outcome, sole }) => sole?.yes === (outcome === "better"));
  return decides ? { measure: claim.about, least: floor(claim.mark) } : null;
}

function reachedFrom(growth: CartGrowth, { measure, least }: Reached, units: number): number | null {
  return (countAt(growth, measure, units) ?? -1) >= least ? units : nextCrossing(growth, measure, least, units);
}
