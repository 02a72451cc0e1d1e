import { describe, expect, it } from "vitest";
import { readCart } from "../cart/read-cart.ts";
import type { Basis } from "../measures/basis.ts";
import { compileMeasure, countedValue } from "../measures/value-measure.ts";
import type { Cart } from "../request/request.ts";

const TWENTY_PERCENT = { n: 1, d: 5 };
const basis: Basis = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" };

function counted(cart: Cart, on: Basis, pricesIncludeTax: boolean): number {
  const read = readCart(cart, "/cart");
  if ("problems" in read) throw new Error(JSON.stringify(read.problems));
  return countedValue(compileMeasure(on, pricesIncludeTax, TWENTY_PERCENT), read);
}

const goods = (unitPrice: number): Cart => ({ lines: [{ sku: "goods", quantity: 1, unitPrice }] });

describe("what a basis counts", () => {
  // F4, common practice, no source: goal 60, 20 % tax, prices without tax.
  it("F4: 50.00 net meets a goal of 60 with tax and not without; 49.99 net meets neither", () => {
    const meets = (net: number, tax: Basis["tax"]) => counted(goods(net), { ...basis, tax }, false) >= 6000;
    expect([meets(5000, "with"), meets(5000, "without"), meets(4999, "with")]).toEqual([true, false, false]);
  });

  it("rounds the exact sum once, never the lines first", () => {
    // 0.99 less half of it, 0.50, leaves 0.49; three lines of 0.33 rounded first would leave 3 × 0.17.
    const lines = Array.from({ length: 3 }, () => ({ sku: "goods", quantity: 1, unitPrice: 33 }));
    expect(counted({ lines, discounts: [{ percent: "50" }] }, basis, true)).toBe(49);
    expect(counted({ lines }, { ...basis, tax: "without" }, true)).toBe(83);
  });

  it("takes each discount in or out as it says, and leaves out what does not count", () => {
    const cart: Cart = {
      lines: [
        { sku: "paper", quantity: 2, unitPrice: 1000, discount: 200 },
        { sku: "card", quantity: 1, unitPrice: 2500, categories: ["gift-cards"] },
      ],
      discounts: [{ amount: 430 }],
    };
    const on = (change: Partial<Basis>) => counted(cart, { ...basis, ...change }, true);
    expect(on({})).toBe(3870);
    expect(on({ orderDiscounts: "out" })).toBe(4300);
    expect(on({ orderDiscounts: "out", lineDiscounts: "out" })).toBe(4500);
    // 18.00 of 43.00 goods, which the discount leaves 38.70 of: nine tenths.
    expect(on({ leavesOut: { categories: ["gift-cards"] } })).toBe(1620);
  });
});
