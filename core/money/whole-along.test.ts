import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { wholeAlong } from "./whole-along.ts";

const wholePart = (n: bigint, d: bigint): bigint => (n - (((n % d) + d) % d)) / d;

describe("whole parts along", () => {
  it("are those of the exact figure, small or large, below nothing too, and where a double would round up", () => {
    const seen = { doubles: 0, big: 0, edges: 0 };
    const size = fc.constantFrom(9n, 1000n, 2n ** 24n, 2n ** 31n, 2n ** 45n, 2n ** 60n);
    const rational: fc.Arbitrary<{ n: bigint; d: bigint }> = fc.tuple(size, size).chain(([most, denominator]) =>
      fc.record({
        n: fc.bigInt({ min: -most, max: most }),
        d: fc.bigInt({ min: 1n, max: denominator }),
      }),
    );
    // One short of a whole number, as large as it comes.
    const nearly: fc.Arbitrary<{ n: bigint; d: bigint }> = fc
      .tuple(fc.bigInt({ min: 1n, max: 2n ** 26n }), fc.bigInt({ min: 1n, max: 2n ** 25n }))
      .map(([d, times]) => ({ n: d * times - 1n, d }));
    const figure = fc.record({
      at: fc.oneof(rational, nearly),
      slope: fc.oneof(rational, fc.constant({ n: 0n, d: 1n }), fc.constant({ n: 1n, d: 1n })),
    });
    fc.assert(
      fc.property(fc.array(figure, { minLength: 1, maxLength: 3 }), fc.nat(200), (figures, units) => {
        const along = wholeAlong(figures, 200);
        seen[along.kind] += 1;
        const exact = figures.map(({ at, slope }) =>
          wholePart(at.n * slope.d + slope.n * at.d * BigInt(units), at.d * slope.d),
        );
        if (along.kind === "doubles" && figures.some(({ at }) => at.n + 1n === (at.n / at.d + 1n) * at.d))
          seen.edges += 1;
        expect(along.wholes.map((one) => BigInt(one(units)))).toEqual(exact);
      }),
      { numRuns: 5000 },
    );
    for (const count of Object.values(seen)) expect(count).toBeGreaterThan(300);
  });
});
