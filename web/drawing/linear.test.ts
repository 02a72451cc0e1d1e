import { scaleLinear } from "d3-scale";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { linear } from "./linear.ts";

const money = fc.integer({ min: 1, max: 100_000_000 });
const width = fc.integer({ min: 50, max: 4000 });

describe("a linear axis", () => {
  // Reference: d3-scale, whose scaleLinear the drawings were made with before.
  it("places, inverts, rounds and marks values as d3-scale does", () => {
    fc.assert(
      fc.property(money, width, fc.integer({ min: 1, max: 20 }), fc.boolean(), (to, size, about, rounded) => {
        // Downwards, as prices are drawn.
        const ours = linear([0, to], [size, 12], rounded ? about : undefined);
        const theirs = rounded ? scaleLinear([0, to], [size, 12]).nice(about) : scaleLinear([0, to], [size, 12]);
        expect(ours.ticks(about)).toEqual(theirs.ticks(about));
        for (const value of [0, to / 3, to]) {
          expect(ours(value)).toBeCloseTo(theirs(value), 6);
          expect(ours.invert(ours(value))).toBeCloseTo(value, 3);
        }
      }),
      { seed: 20261125, numRuns: 500 },
    );
  });

  it("draws a range of nothing without losing its way", () => {
    expect(linear([0, 0], [10, 20])(0)).toBe(10);
  });
});
