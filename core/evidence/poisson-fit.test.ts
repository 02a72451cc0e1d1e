import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import "../tests/seed.ts";
import { type BinModel, poissonFit } from "./poisson-fit.ts";

const BINS = 30;
const model: BinModel = {
  powers: Array.from({ length: BINS }, (_, i) => {
    const x = (2 * i) / (BINS - 1) - 1;
    return Float64Array.from([1, x, x * x]);
  }),
  heaps: Array.from({ length: BINS }, (_, i) => Float64Array.from([i % 5 === 0 ? 3 : -1])),
  widths: Array.from({ length: BINS }, (_, i) => 1 + (i % 3) / 10),
};
const each = model.widths.map((_, i) => [i]);

const expectedBy = (a: readonly number[], heap: number) =>
  Float64Array.from(model.widths, (width, i) => {
    const smooth = [...(model.powers[i] ?? [])].reduce((sum, power, t) => sum + power * (a[t] ?? 0), 0);
    return width * Math.exp(smooth) * (1 + heap * (model.heaps[i]?.[0] ?? 0));
  });

const parameters = fc.tuple(
  fc.double({ min: 2, max: 6, noNaN: true }),
  fc.double({ min: -1, max: 1, noNaN: true }),
  fc.double({ min: -1, max: 1, noNaN: true }),
);
const heap = fc.double({ min: 0, max: 0.6, noNaN: true });

describe("a fit to counts", () => {
  it("finds what they were made by, where chance has no part in it", () => {
    fc.assert(
      fc.property(parameters, heap, (a, share) => {
        const counts = expectedBy(a, share);
        const fit = poissonFit(model, each, counts);
        for (const [t, one] of [...a, share].entries()) expect(fit?.parameters[t]).toBeCloseTo(one, 3);
      }),
      { numRuns: 60 },
    );
  });

  it("is the same where bins are only known together, as long as the others tell the shape", () => {
    fc.assert(
      fc.property(parameters, heap, (a, share) => {
        const counts = expectedBy(a, share);
        const together = [12, 13, 14, 15, 16];
        const groups = [together, ...each.filter(([i]) => !together.includes(i ?? -1))];
        // How they lie within the group says nothing.
        const moved = counts.slice();
        moved[12] = (counts[12] ?? 0) + (counts[13] ?? 0);
        moved[13] = 0;
        const fit = poissonFit(model, groups, moved);
        for (const i of together) expect((fit?.expected[i] ?? 0) / (counts[i] ?? 1)).toBeCloseTo(1, 2);
      }),
      { numRuns: 60 },
    );
  });

  it("of a constant alone is the mean, and of nothing is none", () => {
    const flat: BinModel = {
      powers: model.widths.map(() => Float64Array.of(1)),
      heaps: [],
      widths: model.widths.map(() => 1),
    };
    const counts = Float64Array.from({ length: BINS }, (_, i) => i);
    const fit = poissonFit(flat, each, counts);
    expect(fit?.expected[0]).toBeCloseTo((BINS - 1) / 2, 6);
    expect(poissonFit(flat, each, new Float64Array(BINS))).toBeNull();
  });
});
