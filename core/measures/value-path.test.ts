import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { orderDiscounts } from "../cart/order-discount.ts";
import { crossings, type ValuePath, valueAt } from "./value-path.ts";

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
  it("turns exactly where trying every unit says it does", () => {
    fc.assert(
      fc.property(anyPath, fc.nat(500), (path, least) => {
        const tried: number[] = [];
        for (let y = 1; y <= LENGTH; y += 1) {
          if (valueAt(path, y) >= least !== valueAt(path, y - 1) >= least) tried.push(y);
        }
        expect(crossings(path, least, LENGTH)).toEqual(tried);
      }),
      { numRuns: 2000 },
    );
  });

  it("crosses for the last time where nothing later falls back, and never says so of what falls back later", () => {
    fc.assert(
      fc.property(anyPath, fc.nat(500), (drawn, least) => {
        const path = { ...drawn, lineDiscount: null };
        const crossing = crossings(path, least, null).at(-1);
        if (crossing === undefined) {
          expect(valueAt(path, 5000) >= least).toBe(valueAt(path, 0) >= least);
          return;
        }
        expect(valueAt(path, crossing) >= least).not.toBe(valueAt(path, crossing - 1) >= least);
        if (valueAt(path, crossing) < least) return;
        const later = Array.from({ length: 300 }, (_, y) => crossing + y);
        expect(later.find((y) => valueAt(path, y) < least)).toBeUndefined();
      }),
      { numRuns: 1000 },
    );
  });
});
