import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { ReadCart, ReadLine } from "../cart/read-cart.ts";
import { counted } from "../measures/measure.ts";
import type { About } from "../money/ways.ts";
import { basis, discount, line, valued } from "../tests/valued.ts";
import { type CartGrowth, cartAfter, growByFiller, growByLine } from "./cart-growth.ts";
import type { GrowthBetween } from "./carts-between.ts";
import { Figures } from "./figures-between.ts";
import { begunPast, cartWithout } from "./goods-counted.ts";
import { oneOfMany } from "./one-of-many.ts";

/** So much filler is added to each. */
const FILLED = 60;
/** What is left out of a part: lines that cost so much, so that filler is among it, or is not. */
const dear = (one: ReadLine) => one.sku === "a" && one.unitPrice >= 45;
const isFiller = (one: ReadLine) => one.sku !== "a";

const drawn = fc.record({
  on: basis,
  pricesIncludeTax: fc.boolean(),
  lines: fc.array(line, { minLength: 2, maxLength: 4 }),
  discounts: fc.array(discount, { maxLength: 1 }),
  at: fc.nat(),
  least: fc.integer({ min: 1, max: 200 }),
  unit: fc.integer({ min: 3, max: 40 }),
});

describe("one of several carts that are looked at together", () => {
  it("has reached what it counts, of all its goods and of parts of them, and turns when that does", () => {
    const seen = { reached: 0, turned: 0, begun: 0, lines: 0 };
    fc.assert(
      fc.property(drawn, ({ on, pricesIncludeTax, lines, discounts, at, least, unit }) => {
        const { terms, cart } = valued(on, pricesIncludeTax, { lines, discounts });
        const last = cart.lines.at(-1);
        if (!last || last.shelf < 4) return;
        const growth = growByLine(terms, { ...cart, lines: cart.lines.slice(0, -1) }, last);
        const filled = (units: number) => growByFiller(terms, cartAfter(growth, units), { kind: "value" });
        const between: GrowthBetween = { least: filled(1), most: filled(last.shelf - 1), figures: new Figures() };
        const one: CartGrowth = filled(1 + (at % (last.shelf - 1)));
        const asked = oneOfMany(one, between);
        const measure = terms.tariff.measures[0];
        if (!measure) throw new Error("the plan counts nothing");
        const countIn = (part: (whole: ReadCart) => ReadCart) => (units: number) =>
          counted(measure, part(cartAfter(one, units)), terms.facts.distances) ?? 0;
        const parts: [About, (units: number) => number][] = [
          [0, countIn((whole) => whole)],
          ...[true, false].map((isFilled): [About, (units: number) => number] => {
            const left = isFilled ? [dear] : [dear, isFiller];
            const name = between.figures.nameOf({ kind: "measure", measure: 0, left, isFilled });
            return [name, countIn((whole) => left.reduce(cartWithout, whole))];
          }),
        ];
        for (const [about, count] of parts)
          for (const units of [1, 20]) {
            const found = asked.reaches(about, least, units);
            expect(found.yes).toBe(count(units) >= least);
            const turn = firstAfter(units, (then) => count(then) >= least !== found.yes);
            const told = found.turnsIn(FILLED);
            expect(told === null || told > FILLED ? Number.POSITIVE_INFINITY : told).toBe(turn);
            seen.reached += found.yes ? 1 : 0;
            seen.turned += turn <= FILLED ? 1 : 0;
            const steps = { about, start: 20, unit };
            const begun = asked.begun(steps, units);
            expect(begun.at).toBe(begunPast(count(units), 20, unit));
            const next = firstAfter(units, (then) => begunPast(count(then), 20, unit) !== begun.at);
            expect(Math.min(begun.steady, FILLED)).toBe(Math.min(next - 1, FILLED));
            // Asked again a little further on, it is the same.
            if (begun.steady > 0 && next <= FILLED)
              expect(asked.begun(steps, units + 1)).toEqual({ at: begun.at, steady: begun.steady - 1 });
            seen.begun += begun.at > 0 && next <= FILLED ? 1 : 0;
          }
        const figure = { kind: "line", at: one.before.lines.length - 1, figure: "unitPrice", left: [] } as const;
        const { yes } = asked.reaches(between.figures.nameOf(figure), 30, 1);
        expect(yes).toBe((one.before.lines.at(-1)?.unitPrice ?? 0) >= 30);
        seen.lines += yes ? 1 : 0;
      }),
      { numRuns: 400 },
    );
    expect(Math.min(...Object.values(seen))).toBeGreaterThan(60);
  });
});

/** In how many units more it is so first, {@link FILLED} at most; Infinity: in none of them. */
function firstAfter(units: number, isSo: (units: number) => boolean): number {
  for (let more = 1; more <= FILLED; more += 1) if (isSo(units + more)) return more;
  return Number.POSITIVE_INFINITY;
}
