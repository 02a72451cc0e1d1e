import * as fc from "fast-check";
import type { ReadCart } from "../cart/read-cart.ts";
import type { Terms } from "../evaluate/evaluation.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import type { Basis } from "../measures/basis.ts";
import type { Plan } from "../plan/plan.ts";
import type { CartLine, OrderDiscount } from "../request/request.ts";
import { compiledPlan } from "./compiled.ts";
import { oneZonePlan } from "./one-zone.ts";

// Carts whose value is counted on some basis, with all that rounds it: tax taken out or put on, and discounts on the order.
const EURO = { byCurrency: { EUR: "1.00" } };

/** A plan whose one goal, its measure 0, counts value on a basis, where prices are with tax or without. */
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
export const basis: fc.Arbitrary<Basis> = fc.record({
  lineDiscounts: inOrOut,
  orderDiscounts: fc.constant("in" as const),
  tax: fc.constantFrom("with", "without"),
});
export const line: fc.Arbitrary<CartLine> = fc
  .record({
    unitPrice: fc.integer({ min: 1, max: 90 }),
    off: fc.integer({ min: 0, max: 100 }),
    taxRate: fc.constantFrom("0", "6", "23", "27"),
  })
  .map(({ off, ...rest }) => ({ sku: "a", quantity: 1, discount: Math.floor((rest.unitPrice * off) / 100), ...rest }));
export const discount: fc.Arbitrary<OrderDiscount> = fc.oneof(
  fc.record({ percent: fc.integer({ min: 1, max: 99 }).map(String) }),
  fc.record({ amount: fc.integer({ min: 1, max: 60 }) }),
);

/** A cart as read, and what holds where its value is counted on a basis. */
export function valued(
  on: Basis,
  pricesIncludeTax: boolean,
  cart: { lines: CartLine[]; discounts?: OrderDiscount[] },
): { readonly terms: Terms; readonly cart: ReadCart } {
  const request = { at: "2026-11-28T10:00:00Z", currency: "EUR", destination: { country: "PT" }, cart };
  const prepared = prepareRequest(compiledPlan(planOn(on, pricesIncludeTax)), request);
  if ("problems" in prepared || !prepared.there[0]) throw new Error("nobody delivers there");
  return { terms: { ...prepared.there[0], unknownAs: false }, cart: prepared.cart };
}
