import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { firstInRange } from "./first-in-range.ts";
import { Horizon, type LinearAmount, linearAmount, plus, rounded, times } from "./linear-amount.ts";
import { add, MOST_EXACT, multiply, type Rational, whole } from "./rational.ts";
import { paysLess } from "./rounded-gain.ts";

describe("the first multiple in a range, modulo", () => {
  it("is the one that trying each in turn finds", () => {
    const anyQuestion = fc
      .integer({ min: 1, max: 300 })
      .chain((modulus) => fc.tuple(fc.nat(600), fc.constant(modulus), fc.nat(modulus - 1), fc.nat(modulus - 1)));
    fc.assert(
      fc.property(anyQuestion, ([step, modulus, a, b]) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        const tried = Array.from({ length: modulus }, (_, k) => (step * k) % modulus);
        const first = tried.findIndex((at) => low <= at && at <= high);
        const found = firstInRange(step, modulus, low, high);
        expect(found ?? -1).toBe(first);
      }),
      { numRuns: 2000 },
    );
  });

  it("is so too where products are beyond what doubles hold", () => {
    const anyQuestion = fc.integer({ min: 2 ** 30, max: MOST_EXACT }).chain((modulus) =>
      fc.record({
        modulus: fc.constant(modulus),
        step: fc.integer({ min: 1, max: modulus - 1 }),
        rounds: fc.nat(1000),
        width: fc.oneof(fc.nat(3), fc.nat(Math.floor(modulus / 100))),
      }),
    );
    fc.assert(
      fc.property(anyQuestion, ({ modulus, step, rounds, width }) => {
        const at = (k: number) => Number((BigInt(step) * BigInt(k)) % BigInt(modulus));
        const [low, high] = [at(rounds), Math.min(modulus - 1, at(rounds) + width)];
        const first = Array.from({ length: rounds + 1 }, (_, k) => k).find((k) => low <= at(k) && at(k) <= high);
        expect(firstInRange(step, modulus, low, high)).toBe(first);
      }),
      { numRuns: 2000 },
    );
  });
});

describe("what a shopper pays less", () => {
  const fraction = (most: number): fc.Arbitrary<Rational> =>
    fc.tuple(fc.nat(most), fc.constantFrom(1, 3, 40, 1000, 10 ** 9 + 7)).map(([n, d]) => ({ n, d }));
  const amount: fc.Arbitrary<LinearAmount> = fc
    .tuple(fraction(2000), fraction(3))
    .map(([at, slope]) => linearAmount(at, slope));
  const paid = fc.record({ price: amount, off: fc.oneof(fc.constant(0), amount) });
  /** The same figure after so many units, standing still. */
  const later = (one: LinearAmount, k: number): LinearAmount =>
    typeof one === "number" ? one : linearAmount(add(one.at, multiply(one.slope, whole(k))), { n: 0, d: 1 });
  const truly = (price: LinearAmount, off: LinearAmount) => rounded(price) - rounded(off);

  it("stands for as many units as it says, to the unit where rounding alone decides on delivery", () => {
    let turned = 0;
    const anyPair = fc.oneof(
      fc.tuple(paid, paid),
      // Next to each other, where rounding decides.
      fc
        .tuple(paid, fraction(900))
        .map(([one, less]) => [one, { ...one, price: plus(one.price, times(1, less)) }] as const),
    );
    fc.assert(
      fc.property(anyPair, ([after, before]) => {
        const horizon = new Horizon(300);
        const now = paysLess(after, before, horizon);
        const at = (k: number) =>
          truly(later(before.price, k), later(before.off, k)) > truly(later(after.price, k), later(after.off, k));
        expect(now).toBe(at(0));
        const turn = Array.from({ length: horizon.units }, (_, k) => k + 1).find((k) => at(k) !== now);
        expect(turn).toBeUndefined();
        if (horizon.units < 300 && after.off === 0 && before.off === 0 && at(horizon.units + 1) !== now) turned += 1;
      }),
      { numRuns: 2000 },
    );
    expect(turned).toBeGreaterThan(30);
  });
});
