import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import "../tests/seed.ts";
import { chanceFrom, normalFrom, poissonFrom } from "./chance.ts";
import { gainOf, pooledShare, type Share } from "./gain.ts";
import { freeDelivery } from "./given.ts";
import type { PastGoal } from "./past-goal.ts";
import { type Spread, spreadOf } from "./spread.ts";
import { type Week, weeksOf } from "./weeks.ts";

const certain = (share: number): Share => ({ share, low: share, high: share, isGuess: false });
const spreadFrom = (values: readonly number[]): Spread =>
  spreadOf(values.map((value) => ({ value, orders: 1, charged: 0 })));
const weeksWith = (values: readonly number[], count = 8, goal: Week["goal"] = null): Week[] =>
  Array.from({ length: count }, (_, i) => ({ first: String(i), spread: spreadFrom(values), goal }));

describe("what a goal would bring", () => {
  it("is the margin on what is added less the deliveries given away (worked by hand)", () => {
    // A goal of 50.00: 42.00 and 48.00 lack 8.00 and 2.00; 60.00 reaches it as it is; 30.00 is too far off.
    const gain = gainOf(weeksWith([3000, 4200, 4800, 6000]), [5000], certain(0.5), {
      margin: 0.4,
      given: freeDelivery(490),
    });
    // Half of 10.00 at 40 %: 2.00. Given away: one whole and two half deliveries, 9.80.
    expect(gain?.curve[0]).toMatchObject({ added: 200, givenAway: 980, gain: -780, adding: 1, reaching: 1 });
    expect(gain?.curve[0]).toMatchObject({ low: -780, high: -780, asGood: true });
  });

  it("is less by gifts and by what is taken off orders, of whoever reaches the goal (worked by hand)", () => {
    const given = { delivery: 0, order: 300, ofWorth: 0.05 };
    const gain = gainOf(weeksWith([3000, 4200, 4800, 6000]), [5000], certain(0.5), { margin: 0.4, given });
    // One whole order and two halves: two gifts of 3.00, and 5 % of 60.00 and of two halves of 50.00.
    expect(gain?.curve[0]).toMatchObject({ added: 200, givenAway: 0, rewards: 600 + 550, gain: 200 - 1150 });
  });

  it("falls with what a delivery costs and rises with the margin, whatever the orders", () => {
    const values = fc.array(fc.integer({ min: 500, max: 12_000 }), { minLength: 1, maxLength: 40 });
    fc.assert(
      fc.property(values, fc.double({ min: 0, max: 1, noNaN: true }), fc.nat(900), (all, share, perDelivery) => {
        const at = (margin: number, cost: number) =>
          gainOf(weeksWith(all), [4500], certain(share), { margin, given: freeDelivery(cost) })?.curve[0]?.gain ?? 0;
        expect(at(0.5, perDelivery)).toBeGreaterThanOrEqual(at(0.4, perDelivery));
        expect(at(0.4, perDelivery + 10)).toBeLessThanOrEqual(at(0.4, perDelivery));
        expect(at(0.4, 0)).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it("is the same from weeks that had a goal, once what it moved is put back", () => {
    const chance = chanceFrom(3);
    const meant = () => Math.round(4500 * Math.exp(0.5 * normalFrom(chance)));
    const week = (goal: number | null): Week => {
      const values = Array.from({ length: poissonFrom(chance, 400) }, () => {
        const value = meant();
        return goal !== null && value < goal && value >= goal * 0.8 && chance() < 0.4
          ? goal + Math.floor(chance() * 500)
          : value;
      });
      return { first: "", spread: spreadFrom(values), goal };
    };
    const margins = { margin: 0.45, given: freeDelivery(490) };
    const goals = [4000, 5000, 6000, 8000];
    const without = gainOf(
      Array.from({ length: 60 }, () => week(null)),
      goals,
      certain(0.4),
      margins,
    );
    const held = gainOf(
      Array.from({ length: 60 }, () => week(5000)),
      goals,
      certain(0.4),
      margins,
    );
    for (const [i, { gain, low, high }] of (without?.curve ?? []).entries()) {
      const other = held?.curve[i]?.gain ?? 0;
      expect(Math.abs(other - gain)).toBeLessThan(3 * (high - low));
    }
  });

  it("says where it is a guess, and which goals do as well as the best", () => {
    const values = Array.from({ length: 60 }, (_, i) => 1000 + 100 * i);
    const weeks = weeksWith(values).map((one, i) => ({ ...one, spread: spreadFrom(values.slice(i % 5)) }));
    const goals = [2000, 3000, 4000, 4100, 6000];
    const gain = gainOf(
      weeks,
      goals,
      { ...certain(0.3), low: 0.1, high: 0.5 },
      { margin: 0.6, given: freeDelivery(100) },
      [4000],
    );
    expect(gain?.curve.map(({ isGuess }) => isGuess)).toEqual([true, true, false, false, true]);
    const best = gain?.curve.reduce((a, b) => (b.gain > a.gain ? b : a));
    expect(best?.asGood).toBe(true);
    expect(gain?.curve[0]?.asGood).toBe(false);
    expect(gainOf(weeks.slice(0, 3), goals, certain(0.3), { margin: 0.6, given: freeDelivery(100) })).toBeNull();
  });

  it("takes estimates together, the surer ones for more", () => {
    const of = (share: number, low: number, high: number) =>
      ({ share, low, high, goal: 4000, orders: 100, weeks: 9, by: "shape" }) as const;
    expect(pooledShare([])).toBeNull();
    const pooled = pooledShare([of(0.3, 0.25, 0.35), of(0.5, 0.3, 0.7)]);
    expect(pooled?.share).toBeCloseTo((0.3 * 100 + 0.5 * 6.25) / 106.25, 6);
    expect((pooled?.high ?? 0) - (pooled?.low ?? 0)).toBeLessThan(0.1);
  });
});

describe("weeks", () => {
  it("are whole, from Monday to Sunday, and know the goal that held through all of them", () => {
    const one: Spread = [{ value: 4000, orders: 1, charged: 490 }];
    // From a Wednesday to the Tuesday three weeks on.
    const days = new Map(
      Array.from({ length: 21 }, (_, i) => [new Date(Date.UTC(2026, 9, 7 + i)).toISOString().slice(0, 10), one]),
    );
    const goals: PastGoal[] = [
      { market: "m", currency: "EUR", goal: 5000, from: "2026-10-01", until: "2026-10-20" },
      { market: "m", currency: "EUR", goal: 4500, from: "2026-10-21", until: null },
    ];
    const weeks = weeksOf(days, goals);
    expect(weeks.map(({ first, goal, spread }) => [first, goal, spread[0]?.orders])).toEqual([
      ["2026-10-12", 5000, 7],
      ["2026-10-19", "several", 7],
    ]);
    expect(weeksOf(new Map(), goals)).toEqual([]);
    expect(weeksOf(days, []).map(({ goal }) => goal)).toEqual([null, null]);
  });
});
