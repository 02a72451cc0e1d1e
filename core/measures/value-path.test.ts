import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { orderDiscounts } from "../cart/order-discount.ts";
import { firstCrossing, forGoodFrom, type ValuePath, valueAt } from "./value-path.ts";

const fraction = fc.tuple(fc.nat(400), fc.integer({ min: 1, max: 7 })).map(([n, d]) => ({ n, d }));
const rate = fc.constantFrom({ n: 1, d: 1 }, { n: 123, d: 100 }, { n: 100, d: 123 }, { n: 5, d: 6 });
const discounts = fc
  .array(
    fc.oneof(
      fc.nat(60).map((amount) => ({ amount })),
      fc.nat(100).map((percent) => ({ percent: String(percent) })),
      // Nearly nothing is left of the goods, and rounding decides over long stretches.
      fc.constantFrom("99.94", "99.5", "0.01").map((percent) => ({ percent })),
    ),
    { maxLength: 2 },
  )
  .map(orderDiscounts);
const lineDiscount = fc.option(
  fc.tuple(fc.nat(100), fc.integer({ min: 1, max: 200 })).map(([part, of]) => ({
    amount: Math.floor((part * of) / 100),
    of,
  })),
);

/** A path of up to 200 units; goods are at least what the counted lines say, as in a cart. */
const anyPath: fc.Arbitrary<ValuePath> = fc.record({
  start: fraction,
  rate,
  lineDiscount,
  order: fc.option(fc.record({ goods: fc.nat(300), discounts, lineDiscount: fc.constant(null) })),
});

const LENGTH = 200;

describe("a value as goods are added", () => {
  it("turns exactly where trying every unit says it does, and is enough for good from the unit that trying them says", () => {
    fc.assert(
      fc.property(anyPath, fc.boolean(), fc.nat(500), (drawn, counts, least) => {
        const path = counts ? drawn : { ...drawn, rate: { n: 0, d: 1 } };
        const isEnough = Array.from({ length: LENGTH + 1 }, (_, y) => valueAt(path, y) >= least);
        const tried = isEnough.flatMap((one, y) => (y > 0 && one !== isEnough[y - 1] ? [y] : []));
        const found: number[] = [];
        const next = (units: number) => firstCrossing(path, least, units, LENGTH);
        for (let turn = next(0); turn !== null; turn = next(turn)) found.push(turn);
        expect(found).toEqual(tried);
        const lastLess = isEnough.lastIndexOf(false);
        expect(forGoodFrom(path, least, LENGTH)).toBe(lastLess === LENGTH ? null : Math.max(1, lastLess + 1));
      }),
      { numRuns: 2000 },
    );
  });

  it("is enough for good from where nothing later falls back, one unit before is not, and it never says so of what falls back", () => {
    let later = 0;
    fc.assert(
      fc.property(anyPath, fc.nat(500), (drawn, least) => {
        const path = { ...drawn, lineDiscount: null };
        const found = forGoodFrom(path, least, null);
        if (found === null) {
          expect(valueAt(path, 5000)).toBeLessThan(least);
          return;
        }
        if (found > 1) {
          later += 1;
          expect(valueAt(path, found - 1)).toBeLessThan(least);
        }
        const further = Array.from({ length: 300 }, (_, y) => found + y);
        expect(further.find((y) => valueAt(path, y) < least)).toBeUndefined();
      }),
      { numRuns: 1000 },
    );
    expect(later).toBeGreaterThan(300);
  });
});
