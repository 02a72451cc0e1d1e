import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Decision, forksOf, type OneOfMany, type Tried, type TurnsOut } from "../money/ways.ts";
import { type Outcome, type Stretch, Stretches, within } from "./stretch-between.ts";

// A cart that is led through forks from turn to turn, against the same forks taken for every amount of filler by itself.

const LENGTH = 40;
const FROM = 7;
const notAsked = (): never => {
  throw new Error("these decisions are told without a cart");
};
const cart: OneOfMany = { held: 0, reaches: notAsked, begun: notAsked };

/** How a decision is taken after each number of units. */
const taken = fc
  .array(fc.integer({ min: 1, max: 15 }), { minLength: 1, maxLength: 12 })
  .map((runs) =>
    runs.flatMap((run, i) => Array.from({ length: run }, () => i % 2 === 0)).concat(Array(LENGTH).fill(false)),
  );
const told =
  (ways: readonly boolean[]): TurnsOut =>
  (_, units) => {
    const yes = ways[units] ?? false;
    const turn = ways.findIndex((way, i) => i > units && way !== yes);
    return { yes, turnsIn: (most) => (turn < 0 || turn - units > most ? Number.POSITIVE_INFINITY : turn - units) };
  };
const outcome = fc.constantFrom<Outcome>("better", "covered", "none", "none");
const drawn = fc.record({
  decisions: fc.array(taken, { minLength: 1, maxLength: 3 }),
  outcomes: fc.array(outcome, { minLength: 8, maxLength: 8 }),
  start: fc.integer({ min: 0, max: LENGTH - 1 }),
});

describe("a stretch of filler", () => {
  it("is better, or covered, for one cart where its decisions lead there, amount by amount", () => {
    const seen = { better: 0, covered: 0, neither: 0 };
    fc.assert(
      fc.property(drawn, ({ decisions, outcomes, start }) => {
        const outcomeOf = (isYes: (i: number) => boolean) =>
          outcomes[decisions.reduce((way, _, i) => 2 * way + (isYes(i) ? 1 : 0), 0)] ?? "none";
        const tried = Array.from({ length: 2 ** decisions.length }, (_, way): Tried<Outcome> => {
          const isYes = (i: number) => ((way >> (decisions.length - 1 - i)) & 1) === 1;
          const list = decisions.map((ways, i): Decision => ({ yes: isYes(i), claim: null, turnsOut: told(ways) }));
          return { outcome: outcomeOf(isYes), decisions: list };
        });
        const stretch: Stretch = {
          from: FROM,
          to: FROM + LENGTH - 1,
          near: FROM,
          outcomes: new Set(tried.map((one) => one.outcome)),
          ways: forksOf(tried),
        };
        const each = Array.from({ length: LENGTH }, (_, units) => outcomeOf((i) => decisions[i]?.[units] ?? false));
        const better = each.indexOf("better", start);
        const isCovered = each.slice(start, better < 0 ? LENGTH : better).includes("covered");
        const found = within(stretch, cart, FROM + start, 1000);
        expect([found?.better, found?.isCovered]).toEqual([better < 0 ? null : FROM + better, isCovered]);
        seen[better >= 0 ? "better" : isCovered ? "covered" : "neither"] += 1;
        // With a turn less than it takes it is not told, and with as many it is.
        const turns = found?.turns ?? 0;
        if (stretch.outcomes.size > 1) expect(within(stretch, cart, FROM + start, turns + 1)).toEqual(found);
        if (turns > 0) expect(within(stretch, cart, FROM + start, turns - 1)).toBeNull();
      }),
      { numRuns: 500 },
    );
    expect(Math.min(...Object.values(seen))).toBeGreaterThan(30);
  });

  it("is followed by others, of which none is made before it is asked for, and cut short only while it is the last", () => {
    const made: number[] = [];
    const stretches = new Stretches(3, (from): Stretch | null => {
      made.push(from);
      const ways = { kind: "end", outcome: "none" } as const;
      return from > 20 ? null : { from, to: from + 9, near: from + 1, outcomes: new Set(["none"]), ways };
    });
    expect([stretches.at(0)?.to, made]).toEqual([12, [3]]);
    expect([stretches.shortened(0)?.to, stretches.shortened(0)]).toEqual([4, null]);
    expect([stretches.at(2)?.from, made]).toEqual([15, [3, 5, 15]]);
    expect(stretches.shortened(1)).toBeNull();
    // What cannot be told is the last.
    expect([stretches.at(3), stretches.at(4), made]).toEqual([null, undefined, [3, 5, 15, 25]]);
    expect(new Stretches(null, notAsked).at(0)).toBeUndefined();
  });
});
