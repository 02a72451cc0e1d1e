import { percent } from "../money/decimal.ts";
import {
  add,
  addWhole,
  compare,
  HALF,
  multiply,
  ONE,
  type Rational,
  reduce,
  roundHalfAway,
  subtract,
  timesWhole,
  ZERO,
} from "../money/rational.ts";
import { type WholeAlong, wholeAlong } from "../money/whole-along.ts";
import type { OrderDiscount } from "../request/request.ts";

/**
 * Discounts on the whole order in closed form. Taken one after the other, amounts and percents leave
 * max(0, kept × goods − off) of the goods, exactly.
 */
export type OrderDiscounts = {
  readonly kept: Rational;
  readonly off: Rational;
  /** What goes off goods of so many minor units, {@link USUAL} at most, if they are enough; rounded. */
  readonly takes: WholeAlong<number> | WholeAlong<bigint>;
};

/**
 * @example orderDiscounts([{ percent: "10" }, { amount: 500 }]) // kept 0.9, off 500
 */
export function orderDiscounts(discounts: readonly OrderDiscount[]): OrderDiscounts {
  let kept = ONE;
  let off = ZERO;
  for (const discount of discounts) {
    if ("amount" in discount) {
      off = addWhole(off, discount.amount);
    } else {
      const left = subtract(ONE, fractionOf(discount.percent));
      kept = multiply(kept, left);
      off = multiply(off, left);
    }
  }
  const [takes = none] = wholeAlong([{ at: add(off, HALF), slope: subtract(ONE, kept) }], USUAL).wholes;
  return { kept: reduce(kept), off: reduce(off), takes };
}

/** More than most orders are worth, yet so little that doubles hold what is reckoned of it. */
const USUAL = 2 ** 36;
const none = () => 0;

/** The part of the whole that a percent takes; more than all of it is all of it. */
function fractionOf(text: string): Rational {
  const fraction = percent(text) ?? ZERO;
  return compare(fraction, ONE) > 0 ? ONE : fraction;
}

/** The discount on goods worth `goods` minor units: one figure, rounded once, never more than the goods. */
export function discountOn(goods: number, { kept, off, takes }: OrderDiscounts): number {
  if (goods <= USUAL) return Math.min(goods, Number(takes(goods)));
  return Math.min(goods, roundHalfAway(add(timesWhole(subtract(ONE, kept), goods), off)));
}
