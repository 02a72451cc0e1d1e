import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { counted } from "../measures/measure.ts";
import { basis, discount, line, valued } from "../tests/valued.ts";
import { cartAfter, countAt, crossing, growByFiller, nextCrossing } from "./cart-growth.ts";

const FILLED = 120;

describe("goods added to a cart", () => {
  it("count what the cart counts that holds them, and reach a goal where it does: units of value, and pieces with a price", () => {
    const seen = { even: 0, rising: 0 };
    const drawn = fc.record({
      on: basis,
      pricesIncludeTax: fc.boolean(),
      lines: fc.array(line, { maxLength: 4 }),
      discounts: fc.array(discount, { maxLength: 2 }),
      unitPrice: fc.integer({ min: 1, max: 40 }),
      at: fc.integer({ min: 1, max: FILLED }),
    });
    const like = { categories: [], tags: [], used: false };
    fc.assert(
      fc.property(drawn, ({ on, pricesIncludeTax, lines, discounts, unitPrice, at }) => {
        const { terms, cart } = valued(on, pricesIncludeTax, { lines, discounts });
        const [measure] = terms.tariff.measures;
        if (!measure) throw new Error("its goal counts value");
        for (const kind of ["value", "items"] as const) {
          const growth = growByFiller(terms, cart, { kind, like: { ...like, unitPrice } });
          const countOf = (units: number) => counted(measure, cartAfter(growth, units), new Map());
          const counts = Array.from({ length: FILLED }, (_, i) => countOf(i + 1));
          expect(counts.map((_, i) => countAt(growth, 0, i + 1))).toEqual(counts);
          const least = counts[at - 1] ?? 0;
          const reached = counts.map((count) => (count ?? 0) >= least);
          // Where value can only rise; where a cent may be lost on the way, value-path.test.ts has each turn.
          if (reached.includes(false) && reached.lastIndexOf(false) < reached.indexOf(true)) {
            const first = reached.indexOf(true) + 1;
            const found = crossing(growth, 0, least);
            // Where a cent is lost further on, it is reached for good from there.
            const isLost = found !== null && found > FILLED && (countOf(found - 1) ?? 0) < least;
            const settled = isLost ? first : found;
            expect([kind, settled, nextCrossing(growth, 0, least, 1)]).toEqual([kind, first, first]);
          }
          const path = growth.paths[0]?.kind;
          if (kind === "items" && (path === "even" || path === "rising")) seen[path] += 1;
        }
      }),
      { numRuns: 400 },
    );
    expect(Math.min(seen.even, seen.rising)).toBeGreaterThan(50);
  });
});
