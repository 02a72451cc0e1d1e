import { percent } from "../money/decimal.ts";
import {
  add,
  compare,
  multiply,
  ONE,
  type Rational,
  reduce,
  roundHalfAway,
  subtract,
  whole,
  ZERO,
} from "../money/rational.ts";
import type { OrderDiscount } from "../request/request.ts";

/**
 * Discounts on the whole order in closed form. Taken one after the other, amounts and percents leave
 * max(0, kept × goods − off) of the goods, exactly.
 */
export type OrderDiscounts = { readonly kept: Rational; readonly off: Rational };

/**
 * @example orderDiscounts([{ percent: "10" }, { amount: 500 }]) // kept 0.9, off 500
 */
export function orderDiscounts(discounts: readonly OrderDiscount[]): OrderDiscounts {
  let kept = ONE;
  let off = ZERO;
  for (const discount of discounts) {
    if ("amount" in discount) {
      off = add(off, whole(discount.amount));
    } else {
      const left = subtract(ONE, fractionOf(discount.percent));
      kept = multiply(kept, left);
      off = multiply(off, left);
    }
  }
  return { kept: reduce(kept), off: reduce(off) };
}

/** The part of the whole that a percent takes; more than all of it is all of it. */
function fractionOf(text: string): Rational {
  const fraction = percent(text) ?? ZERO;
  return compare(fraction, ONE) > 0 ? ONE : fraction;
}

/** The discount on goods worth `goods` minor units: one figure, rounded once, never more than the goods. */
export function discountOn(goods: number, { kept, off }: OrderDiscounts): number {
  const left = subtract(multiply(kept, whole(goods)), off);
  return left.n > 0 ? roundHalfAway(subtract(whole(goods), left)) : goods;
}
