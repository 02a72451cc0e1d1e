import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Basis } from "../measures/basis.ts";
import type { Plan } from "../plan/plan.ts";
import type { CartLine, OrderDiscount } from "../request/request.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { cartAfter, countAt, growByFiller, growByLine } from "./cart-growth.ts";
import { mayReachFrom, mustReachBy } from "./carts-between.ts";
import type { Terms } from "./evaluation.ts";
import { prepareRequest } from "./prepared-request.ts";

const EURO = { byCurrency: { EUR: "1.00" } };

/** A plan whose one goal counts value on a basis, where prices are with tax or without. */
function planOn(basis: Basis, pricesIncludeTax: boolean): Plan {
  const plan = oneZonePlan({
    options: [{ id: "post", position: 1, name: { en: "Post" }, zones: ["z"], charge: { kind: "flat", amount: EURO } }],
    offers: [
      {
        id: "goal",
        position: 1,
        name: "Goal",
        on: true,
        zones: ["z"],
        counts: { kind: "value", basis },
        steps: [
          {
            id: "one",
            position: 1,
            trigger: { kind: "goal", goal: { at: EURO, edge: "from" } },
            reward: { kind: "free", options: ["post"] },
            wording: {},
          },
        ],
      },
    ],
  });
  return { ...plan, markets: plan.markets.map((market) => ({ ...market, pricesIncludeTax })) };
}

const inOrOut = fc.constantFrom("in" as const, "out" as const);
const basis: fc.Arbitrary<Basis> = fc.record({
  lineDiscounts: inOrOut,
  orderDiscounts: fc.constant("in" as const),
  tax: fc.constantFrom("with", "without"),
});
const line: fc.Arbitrary<CartLine> = fc
  .record({
    unitPrice: fc.integer({ min: 1, max: 90 }),
    off: fc.integer({ min: 0, max: 100 }),
    taxRate: fc.constantFrom("0", "6", "23", "27"),
  })
  .map(({ off, ...rest }) => ({ sku: "a", quantity: 1, discount: Math.floor((rest.unitPrice * off) / 100), ...rest }));
const discount: fc.Arbitrary<OrderDiscount> = fc.oneof(
  fc.record({ percent: fc.integer({ min: 1, max: 99 }).map(String) }),
  fc.record({ amount: fc.integer({ min: 1, max: 60 }) }),
);

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
        const cart = { lines, discounts };
        const request = { at: "2026-11-28T10:00:00Z", currency: "EUR", destination: { country: "PT" }, cart };
        const prepared = prepareRequest(compiledPlan(planOn(on, pricesIncludeTax)), request);
        if ("problems" in prepared || !prepared.there[0]) throw new Error("nobody delivers there");
        const terms: Terms = { ...prepared.there[0], unknownAs: false };
        const last = prepared.cart.lines.at(-1);
        if (!last || last.shelf < 3) return;
        const growth = growByLine(terms, { ...prepared.cart, lines: prepared.cart.lines.slice(0, -1) }, last);
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
