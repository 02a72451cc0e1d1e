import { FURTHEST } from "../evaluate/growing-cart.ts";
import type { Forks, OneOfMany, Turning } from "../money/ways.ts";
import type { outcomeAt } from "../quote/progress/step-status.ts";

export type Outcome = ReturnType<typeof outcomeAt>;

/** Amounts of filler over which it stands how a step turns out in some carts. */
export type Stretch = {
  readonly from: number;
  readonly to: number;
  /** Where it may be the same in all of them a little further on, up to where it is worth looking. */
  readonly near: number;
  /** What may come of it in one of the carts or another. */
  readonly outcomes: ReadonlySet<Outcome>;
  /** How it turns out in each of them. */
  readonly ways: Forks<Outcome>;
};

/** Stretches one after the other, each made when it is asked for. */
export class Stretches {
  private readonly first: number | null;
  private readonly make: (from: number) => Stretch | null;
  private readonly made: (Stretch | null)[] = [];
  /** @param first where they begin; null: there are none @param make null where it cannot be told, and then there are no more */
  constructor(first: number | null, make: (from: number) => Stretch | null) {
    this.first = first;
    this.make = make;
  }
  /** Null where it cannot be told; undefined where there are no more. */
  at(i: number): Stretch | null | undefined {
    while (this.made.length <= i) {
      const last = this.made.at(-1);
      const from = last === undefined ? this.first : last && last.to + 1;
      if (from === null || from > FURTHEST) return undefined;
      this.made.push(this.make(from));
    }
    return this.made[i];
  }
  /** Makes do with less of one, as long as none after it has been made; null where that is not so. */
  shortened(i: number): Stretch | null {
    const stretch = this.made[i];
    if (!stretch || i < this.made.length - 1 || stretch.near === stretch.to) return null;
    const shorter = { ...stretch, to: stretch.near };
    this.made[i] = shorter;
    return shorter;
  }
}

/** How one of the carts turns out within a stretch. */
type Within = {
  /** The least filler with which it is better; null: none is. */
  readonly better: number | null;
  /** Whether some less than that, or else any, is covered. */
  readonly isCovered: boolean;
  /** So often it turned about. */
  readonly turns: number;
};

/**
 * How one of the carts turns out with so much filler, `start` at least, as long as a stretch stands; null where that is not told.
 *
 * @param most so often it may turn about before it is told otherwise
 */
export function within(stretch: Stretch, cart: OneOfMany, start: number, most: number): Within | null {
  const { outcomes, to } = stretch;
  if (outcomes.size === 1) {
    const better = outcomes.has("better") ? start : null;
    return { better, isCovered: outcomes.has("covered"), turns: 0 };
  }
  let isCovered = false;
  let at = start;
  let turns = 0;
  for (; at <= to; turns += 1) {
    const found = turns < most ? wayAt(stretch, cart, at) : null;
    if (!found) return null;
    if (found.outcome === "better") return { better: at, isCovered, turns };
    isCovered ||= found.outcome === "covered";
    if (isCovered && !outcomes.has("better")) return { better: null, isCovered, turns };
    let units = Number.POSITIVE_INFINITY;
    for (const { turnsIn } of found.turnings) {
      const turn = turnsIn(to - at);
      if (turn === null) return null;
      units = Math.min(units, turn);
    }
    at += units;
  }
  return { better: null, isCovered, turns };
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
