import Big from "big.js";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readCart } from "../cart/read-cart.ts";
import { english } from "../phrases/speak.ts";
import type { Cart } from "../request/request.ts";
import { type Basis, basisWords } from "./basis.ts";
import { compileMeasure, countedValue } from "./value-measure.ts";

Big.DP = 60;
const side = fc.constantFrom<"in" | "out">("in", "out");
const basis: fc.Arbitrary<Basis> = fc.record(
  {
    lineDiscounts: side,
    orderDiscounts: side,
    codes: side,
    tax: fc.constantFrom<"with" | "without">("with", "without"),
  },
  { requiredKeys: ["lineDiscounts", "orderDiscounts", "tax"] },
);
const code = fc.option(fc.constant("WELCOME"), { nil: undefined });
const given = <T extends object>(discount: T, by: string | undefined) =>
  by === undefined ? discount : { ...discount, code: by };
const discount = fc.oneof(
  fc.tuple(fc.nat(3000), code).map(([amount, by]) => given({ amount }, by)),
  fc
    .tuple(fc.integer({ min: 0, max: 1000 }), code)
    .map(([tenths, by]) => given({ percent: (tenths / 10).toFixed(1) }, by)),
);
const line = fc
  .tuple(fc.nat(4000), fc.integer({ min: 1, max: 4 }), fc.nat(100), fc.constantFrom("0", "6", "23"))
  .map(([unitPrice, quantity, part, taxRate]) => ({
    sku: "any",
    unitPrice,
    quantity,
    taxRate,
    discount: Math.floor((unitPrice * quantity * part) / 100),
  }));
const anyCart: fc.Arbitrary<Cart> = fc.record({
  lines: fc.array(line, { maxLength: 4 }),
  discounts: fc.array(discount, { maxLength: 4 }),
});

/** The same by the book: discounts one after the other on what the goods cost, one rounding; then one of the counted sum. */
function byHand({ lines, discounts = [] }: Cart, { lineDiscounts, orderDiscounts, codes, tax }: Basis): number {
  const goods = lines.reduce((sum, one) => sum.plus(one.unitPrice * one.quantity - (one.discount ?? 0)), new Big(0));
  let left = goods;
  for (const one of discounts) {
    const counts = one.code === undefined ? orderDiscounts : (codes ?? orderDiscounts);
    if (counts === "out") continue;
    left = "amount" in one ? left.minus(one.amount) : left.times(new Big(100).minus(one.percent)).div(100);
  }
  const off = goods.minus(left.lt(0) ? 0 : left).round(0, Big.roundHalfUp);
  const counted = lines.reduce((sum, one) => {
    const worth = new Big(one.unitPrice * one.quantity).minus(lineDiscounts === "in" ? (one.discount ?? 0) : 0);
    return sum.plus(tax === "with" ? worth : worth.div(new Big(one.taxRate ?? 0).div(100).plus(1)));
  }, new Big(0));
  const exact = goods.eq(0) ? counted : counted.times(goods.minus(off)).div(goods);
  // A half that division by tax and goods left a hair below itself.
  return exact.plus("1e-40").round(0, Big.roundHalfUp).toNumber();
}

describe("what a basis counts", () => {
  it("is what big.js makes of it: line discounts, order discounts and codes each in or out, tax in or out", () => {
    fc.assert(
      fc.property(anyCart, basis, (cart, one) => {
        const read = readCart(cart, "");
        if ("problems" in read) throw new Error(JSON.stringify(read.problems));
        expect(countedValue(compileMeasure(one, true, { n: 0, d: 1 }), read)).toBe(byHand(cart, one));
      }),
      { seed: 20261126, numRuns: 1500 },
    );
  });

  it("is told apart in words wherever it is another", () => {
    const sides = ["in", "out"] as const;
    const all = sides.flatMap((lineDiscounts) =>
      sides.flatMap((orderDiscounts) =>
        sides.map((codes): Basis => ({ lineDiscounts, orderDiscounts, codes, tax: "with" })),
      ),
    );
    expect(new Set(all.map((basis) => english(basisWords(basis)))).size).toBe(8);
    expect(english(basisWords({ lineDiscounts: "in", orderDiscounts: "in", codes: "out", tax: "with" }))).toBe(
      "goods after line and order discounts, before codes, with tax",
    );
  });
});
