import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import "../tests/seed.ts";
import { reachOf } from "./reach.ts";
import { spreadOf } from "./spread.ts";

describe("how orders get to a goal", () => {
  it("is what trying every product, and every two of them, comes to", () => {
    const prices = fc.array(fc.integer({ min: 1, max: 1500 }), { maxLength: 8 });
    const values = fc.array(fc.integer({ min: 500, max: 1400 }), { maxLength: 40 });
    fc.assert(
      fc.property(prices, values, (sold, worths) => {
        const goal = 1000;
        const does = (sum: number, value: number) => value + sum >= goal && value + sum <= goal * 1.2;
        const counts = { goal, one: 0, two: 0, none: 0 };
        for (const value of worths) {
          if (value >= goal || value < 800) continue;
          if (sold.some((a) => does(a, value))) counts.one += 1;
          else if (sold.some((a) => sold.some((b) => does(a + b, value)))) counts.two += 1;
          else counts.none += 1;
        }
        const spread = spreadOf(worths.map((value) => ({ value, orders: 1, charged: 0 })));
        expect(reachOf(spread, goal, sold)).toEqual(counts);
      }),
      { numRuns: 500 },
    );
  });
});
