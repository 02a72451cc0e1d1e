import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import "../tests/seed.ts";
import { barsOf, barWidth } from "./histogram.ts";
import { roundAbove, roundStep } from "./round-amount.ts";
import { ordersIn, spreadOf } from "./spread.ts";

const values = fc.array(fc.integer({ min: 1, max: 50_000 }), { minLength: 1, maxLength: 300 });

describe("bars", () => {
  it("hold every order once, one after the other, however wide they are asked to be", () => {
    fc.assert(
      fc.property(values, fc.integer({ min: 1, max: 9000 }), fc.boolean(), (worths, width, logarithmic) => {
        const spread = spreadOf(worths.map((value) => ({ value, orders: 1, charged: 0 })));
        const bars = barsOf(spread, width, logarithmic);
        expect(bars.reduce((sum, { orders }) => sum + orders, 0)).toBe(ordersIn(spread));
        expect(bars.every(({ from, to }, i) => from < to && (i === 0 || from === bars[i - 1]?.to))).toBe(true);
        expect(bars.length).toBeLessThanOrEqual(201);
        // All but the last hold just what lies within.
        for (const { from, to, orders } of bars.slice(0, -1))
          expect(orders).toBe(worths.filter((value) => value >= from && value < to).length);
      }),
    );
  });

  it("are as wide as Freedman and Diaconis say, made round (worked by hand: quartiles 25 and 75, 1,000 orders)", () => {
    const spread = spreadOf(Array.from({ length: 1000 }, (_, i) => ({ value: 1 + (i % 100), orders: 1, charged: 0 })));
    // 2 × 50 / 10 = 10.
    expect(barWidth(spread)).toBe(10);
  });
});

describe("round amounts", () => {
  it("are above what they are for, and not far", () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 10_000_000 }), (amount) => {
        const round = roundAbove(amount);
        expect(round).toBeGreaterThan(amount);
        expect(round).toBeLessThanOrEqual(amount * 1.35);
        expect(round % roundStep(amount) === 0 || round % (roundStep(amount) * 2.5) === 0).toBe(true);
      }),
    );
  });
});
