import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  exactOf,
  Horizon,
  isAtMost,
  type LinearAmount,
  lessAtLeastZero,
  lesser,
  linearAmount,
  minus,
  plus,
  slopeOf,
  stairsIn,
  toMultiple,
} from "./linear-amount.ts";
import { add, compare, multiply, type Rational, subtract, whole, ZERO } from "./rational.ts";
import { together } from "./stairs.ts";

/** A price that goes up or down stairs: what moves evenly, rounded to a multiple. */
type Drawn = { readonly at: Rational; readonly slope: Rational; readonly step: number };

const drawn: fc.Arbitrary<Drawn> = fc.record({
  at: fc.tuple(fc.nat(900), fc.constantFrom(1, 3, 40)).map(([n, d]) => ({ n: BigInt(n), d: BigInt(d) })),
  slope: fc.tuple(fc.nat(9), fc.constantFrom(1, 7, 100)).map(([n, d]) => ({ n: BigInt(n), d: BigInt(d) })),
  step: fc.constantFrom(1, 5, 50),
});

/** What comes of two prices: each way in which offers put them together. */
const WAYS: readonly ((a: LinearAmount, b: LinearAmount, horizon: Horizon | null) => LinearAmount)[] = [
  lesser,
  lessAtLeastZero,
  (a, b, horizon) => plus(lesser(a, b, horizon), lessAtLeastZero(a, b, horizon)),
  (a, b, horizon) => minus(a, lessAtLeastZero(b, lesser(a, 300, horizon), horizon)),
];

const FURTHEST = 300;
const unitsTo = (most: number) => Array.from({ length: most }, (_, k) => k + 1);

/** The same after so many units, by figures that stand still. */
function exactAfter(way: (typeof WAYS)[number], a: Drawn, b: Drawn, units: number): Rational {
  const still = ({ at, slope, step }: Drawn) =>
    toMultiple(linearAmount(add(at, multiply(slope, whole(units))), ZERO), step, "nearest", null);
  return exactOf(way(still(a), still(b), null));
}

function along(way: (typeof WAYS)[number], a: Drawn, b: Drawn, horizon: Horizon): LinearAmount {
  const moving = ({ at, slope, step }: Drawn) => toMultiple(linearAmount(at, slope), step, "nearest", horizon);
  return way(moving(a), moving(b), horizon);
}

describe("what may leap as goods are added", () => {
  it("is now what it is, and later within what its stairs allow", () => {
    let leapt = 0;
    fc.assert(
      fc.property(fc.constantFrom(...WAYS), drawn, drawn, (way, a, b) => {
        const horizon = new Horizon(FURTHEST, true);
        const found = along(way, a, b, horizon);
        expect(compare(exactOf(found), exactAfter(way, a, b, 0))).toBe(0);
        const leaps = together(stairsIn(found));
        const slope = add(slopeOf(found), leaps.slope);
        if (stairsIn(found)) leapt += 1;
        const astray = unitsTo(horizon.units).find((units) => {
          const moved = subtract(exactAfter(way, a, b, units), add(exactOf(found), multiply(slope, whole(units))));
          return compare(moved, subtract(ZERO, leaps.below)) < 0 || compare(moved, leaps.above) > 0;
        });
        expect(astray).toBeUndefined();
      }),
      { numRuns: 600 },
    );
    expect(leapt).toBeGreaterThan(200);
  });

  it("is above a price, or below it, for as long as the comparison says", () => {
    let turned = 0;
    fc.assert(
      fc.property(fc.constantFrom(...WAYS), drawn, drawn, fc.nat(900), (way, a, b, price) => {
        const horizon = new Horizon(FURTHEST, true);
        const now = isAtMost(along(way, a, b, horizon), price, horizon);
        const other = (units: number) => compare(exactAfter(way, a, b, units), whole(price)) <= 0 !== now;
        expect(unitsTo(horizon.units).find(other)).toBeUndefined();
        if (horizon.units < FURTHEST) turned += 1;
      }),
      { numRuns: 600 },
    );
    expect(turned).toBeGreaterThan(50);
  });

  it("cancels out where the same is put together twice", () => {
    fc.assert(
      fc.property(fc.constantFrom(...WAYS), drawn, drawn, (way, a, b) => {
        const horizon = new Horizon(FURTHEST, true);
        expect(minus(along(way, a, b, horizon), along(way, a, b, horizon))).toBe(0);
      }),
    );
  });
});
