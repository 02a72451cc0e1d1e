import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { basis, discount, line, valued } from "../tests/valued.ts";
import { cartAfter, countAt, growByFiller, growByLine } from "./cart-growth.ts";
import { mayReachFrom, mustReachBy } from "./carts-between.ts";

/** So much filler is added to each. */
const FILLED = 80;

describe("carts between two that hold more and more of a line", () => {
  // Value is rounded, and so is what an order discount leaves of the goods: with more of a line it may be a cent less.
  it("may reach a goal from the first amount of filler with which one of them does, and must by what each does with", () => {
    const seen = { before: 0, after: 0, fell: 0 };
    const drawn = fc.record({
      on: basis,
      pricesIncludeTax: fc.boolean(),
      lines: fc.array(line, { minLength: 1, maxLength: 4 }),
      discounts: fc.array(discount, { minLength: 1, maxLength: 2 }),
      at: fc.nat(),
    });
    fc.assert(
      fc.property(drawn, ({ on, pricesIncludeTax, lines, discounts, at }) => {
        const { terms, cart } = valued(on, pricesIncludeTax, { lines, discounts });
        const last = cart.lines.at(-1);
        if (!last || last.shelf < 3) return;
        const growth = growByLine(terms, { ...cart, lines: cart.lines.slice(0, -1) }, last);
        const [from, to] = [1, last.shelf - 1];
        const counts = Array.from({ length: to }, (_, i) => {
          const filled = growByFiller(terms, cartAfter(growth, from + i), { kind: "value" });
          return Array.from({ length: FILLED }, (_, y) => countAt(filled, 0, y + 1) ?? 0);
        });
        seen.fell += counts.filter((one, i) => one.some((count, y) => count < (counts[i - 1]?.[y] ?? 0))).length;
        const least = counts[at % to]?.[at % FILLED] ?? 0;
        const filled = (units: number) => growByFiller(terms, cartAfter(growth, units), { kind: "value" });
        const between = { least: filled(from), most: filled(to) };
        const may = mayReachFrom(between, { measure: 0, least }) ?? FILLED + 1;
        const must = mustReachBy(between, { measure: 0, least }) ?? FILLED + 1;
        const isAsTold = counts.every((one) =>
          one.every((count, i) => (i + 1 >= may || count < least) && (i + 1 < must || count >= least)),
        );
        expect(isAsTold).toBe(true);
        if (may > 1) seen.before += 1;
        if (must <= FILLED) seen.after += 1;
      }),
      { numRuns: 500 },
    );
    expect(Math.min(seen.before, seen.after, seen.fell)).toBeGreaterThan(100);
  });
});
