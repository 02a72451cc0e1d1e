import Big from "big.js";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { discountOn, orderDiscounts } from "./order-discount.ts";

const discount = fc.oneof(
  fc.oneof(fc.nat(5000), fc.nat(2 ** 40)).map((amount) => ({ amount })),
  fc
    .tuple(fc.integer({ min: 0, max: 100 }), fc.nat(999_999))
    .map(([whole, part]) => ({ percent: whole === 100 ? "100" : `${whole}.${String(part).padStart(6, "0")}` })),
  fc.constantFrom("0", "10", "12.5", "33.333333333333", "99.99").map((percent) => ({ percent })),
);
/** Like most orders, up to the largest there may be, and where reckoning changes its way. */
const worth = fc.oneof(
  fc.nat(100_000),
  fc.nat(2 ** 50),
  fc.integer({ min: -3, max: 3 }).map((off) => 2 ** 36 + off),
);

describe("discounts on an order", () => {
  it("take off what one after the other does by big.js, rounded once, and never more than the goods", () => {
    const seen = { nothingLeft: 0, large: 0, small: 0 };
    fc.assert(
      fc.property(fc.array(discount, { minLength: 1, maxLength: 3 }), worth, (discounts, goods) => {
        const left = discounts.reduce(
          (rest, one) =>
            "amount" in one ? rest.minus(one.amount) : rest.times(new Big(100).minus(one.percent)).times("0.01"),
          new Big(goods),
        );
        const taken = new Big(goods).minus(left.lt(0) ? 0 : left);
        if (left.lte(0)) seen.nothingLeft += 1;
        else seen[goods > 2 ** 36 ? "large" : "small"] += 1;
        expect(discountOn(goods, orderDiscounts(discounts))).toBe(Number(taken.round(0, Big.roundHalfUp).toFixed(0)));
      }),
      { numRuns: 5000 },
    );
    for (const count of Object.values(seen)) expect(count).toBeGreaterThan(200);
  });
});
