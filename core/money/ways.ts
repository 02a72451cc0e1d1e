import { compare, type Rational } from "./rational.ts";

/** What figure is meant: the number of a measure of the whole cart, or a text that is the same for the same figure. */
export type About = string | number;

/** That a figure nobody knows is at least, or at most, so much. */
export type Claim = { readonly about: About; readonly is: "at-least" | "at-most"; readonly mark: Rational };

/**
 * Which way a decision is taken, and in how many units the other way, as long as all else stays; Infinity where that is not within `most`;
 * null where it is not told.
 */
export type Turning = { readonly yes: boolean; readonly turnsIn: (most: number) => number | null };

/** Units of a figure that are begun past `start`, each of so much. */
export type Steps = { readonly about: About; readonly start: number; readonly unit: number };

/** One of several carts that are looked at together, as far as it is not known of all of them. */
export type OneOfMany = {
  /** What it holds more than the least of them, in what that is worth. */
  readonly held: number;
  /** Whether a figure is so much with so many units of filler, and in how many more that turns. */
  readonly reaches: (about: About, least: number, units: number) => Turning;
  /** How many steps are begun with so many units of filler, and for how many more that stays. */
  readonly begun: (steps: Steps, units: number) => { readonly at: number; readonly steady: number };
};

/** How a decision is taken in one of several carts, so many units on; null where that is not told. */
export type TurnsOut = (cart: OneOfMany, units: number) => Turning | null;

/** A decision, and how it turns out for whatever is not known. */
export type Decision = { readonly yes: boolean; readonly claim: Claim | null; readonly turnsOut: TurnsOut };
type Taken = Decision & { readonly isSecond: boolean };
/** An end of what a figure may be; `isIn` where it may be the end itself. */
type End = { readonly at: Rational; readonly isIn: boolean };
type Range = { readonly low: End | null; readonly high: End | null };

/**
 * Decisions that may turn out either way. Whatever is worked out takes each of them one way, in the order in which they come up, and is
 * worked out anew as long as there is an {@link other}: by then every way has been taken. Those that follow from one before are no
 * decisions.
 */
export class Ways {
  private readonly taken: Taken[] = [];
  private at = 0;
  private ranges = new Map<About, Range>();
  /** Which way the next decision is taken. @param yes which it is taken first @param claim what it is about, where that is told */
  next(yes: boolean, claim: Claim | null, turnsOut: TurnsOut = notTold): boolean {
    const follows = claim && this.known(claim);
    if (follows !== null) return follows;
    const known = this.taken[this.at];
    if (!known) this.taken.push({ yes, isSecond: false, claim, turnsOut });
    this.at += 1;
    const answer = known?.yes ?? yes;
    if (claim) this.learn(claim, answer);
    return answer;
  }
  /** What follows for a claim from what has been decided; null: nothing does. */
  known({ about, is, mark }: Claim): boolean | null {
    const { low, high } = this.ranges.get(about) ?? NOTHING_KNOWN;
    const [below, above] = [low ? compare(low.at, mark) : -1, high ? compare(high.at, mark) : 1];
    if (is === "at-least") {
      if (low && below >= 0) return true;
      return high && (above < 0 || (above === 0 && !high.isIn)) ? false : null;
    }
    if (high && above <= 0) return true;
    return low && (below > 0 || (below === 0 && !low.isIn)) ? false : null;
  }
  private learn({ about, is, mark }: Claim, yes: boolean): void {
    const range = this.ranges.get(about) ?? NOTHING_KNOWN;
    const end = { at: mark, isIn: yes };
    this.ranges.set(about, (is === "at-least") === yes ? { ...range, low: end } : { ...range, high: end });
  }
  /** The decisions that have been taken, each with the way it was. */
  decisions(): readonly Decision[] {
    return [...this.taken];
  }
  /** Begins anew with the last decision that has been taken one way alone taken the other way; false when there is none. */
  other(): boolean {
    this.at = 0;
    this.ranges = new Map();
    for (let last = this.taken.pop(); last; last = this.taken.pop()) {
      if (last.isSecond) continue;
      this.taken.push({ ...last, yes: !last.yes, isSecond: true });
      return true;
    }
    return false;
  }
}

/** What came of one way, and the decisions that make it, in their order. */
export type Tried<T> = { readonly outcome: T; readonly decisions: readonly Decision[] };

/** What comes of it, or what is to be decided first and what comes of either. */
export type Forks<T> =
  | { readonly kind: "end"; readonly outcome: T }
  | { readonly kind: "fork"; readonly decision: Decision; readonly yes: Forks<T>; readonly no: Forks<T> };

/**
 * Every way as one of forks, so that each decision is looked at once. Throws RangeError where some way has not been tried.
 *
 * @example forksOf([{ outcome: "covered", decisions: [] }]) // { kind: "end", outcome: "covered" }
 */
export function forksOf<T>(tried: readonly Tried<T>[], taken = 0): Forks<T> {
  const [first] = tried;
  if (!first) throw new RangeError("some way has not been tried");
  const decision = first.decisions[taken];
  if (!decision) return { kind: "end", outcome: first.outcome };
  const after = (yes: boolean) =>
    forksOf(
      tried.filter(({ decisions }) => decisions[taken]?.yes === yes),
      taken + 1,
    );
  return { kind: "fork", decision, yes: after(true), no: after(false) };
}

const notTold = () => null;
const NOTHING_KNOWN: Range = { low: null, high: null };
