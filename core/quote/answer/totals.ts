import { discountOn } from "../../cart/order-discount.ts";
import type { ReadCart } from "../../cart/read-cart.ts";
import { goodsValue } from "../../measures/value-measure.ts";
import { allocate } from "../../money/allocate.ts";
import { add, multiply, type Rational, reduce, roundHalfAway, whole, ZERO } from "../../money/rational.ts";
import { taxPart } from "../../money/tax-part.ts";

/**
 * What the goods come to, in minor units and as the market writes prices (with or without tax).
 * `goods` = `shelf` − `lineDiscounts` − `orderDiscounts`; `lines` are for display and add up to `goods`.
 */
export type Totals = {
  shelf: number;
  lineDiscounts: number;
  orderDiscounts: number;
  goods: number;
  lines: number[];
};

export function totalsOf(cart: ReadCart): Totals {
  const beforeOrder = goodsValue(cart.lines);
  const orderDiscount = cart.discounts ? Number(discountOn(BigInt(beforeOrder), cart.discounts)) : 0;
  const goods = beforeOrder - orderDiscount;
  return {
    shelf: cart.lines.reduce((sum, line) => sum + line.shelf, 0),
    lineDiscounts: cart.lines.reduce((sum, line) => sum + line.discount, 0),
    orderDiscounts: orderDiscount,
    goods,
    lines: allocate(
      goods,
      cart.lines.map((line) => line.shelf - line.discount),
    ),
  };
}

/**
 * The exact tax on the goods, contained in prices that include tax, added to prices that do not, by what is paid for them
 * in minor units after all discounts.
 *
 * @param standardPart what the zone's standard rate makes of a price: see `taxPart`
 */
export function goodsTax(
  cart: ReadCart,
  totals: Totals,
  pricesIncludeTax: boolean,
  standardPart: Rational,
): (goods: number) => Rational {
  const before = totals.goods + totals.orderDiscounts;
  if (before === 0) return () => ZERO;
  let standard = 0;
  let exact = ZERO;
  for (const { shelf, discount, taxRate } of cart.lines) {
    if (taxRate === null) standard += shelf - discount;
    else exact = reduce(add(exact, multiply(whole(shelf - discount), taxPart(taxRate, pricesIncludeTax))));
  }
  if (standard > 0) exact = add(exact, multiply(whole(standard), standardPart));
  return (goods) => (goods === before ? exact : multiply({ n: BigInt(goods), d: BigInt(before) }, exact));
}

/** What the shopper pays in all with one option, and the tax in it, each rounded once. */
export function payable(
  goods: number,
  tax: Rational,
  price: number,
  pricesIncludeTax: boolean,
  deliveryPart: Rational,
) {
  const exact = price === 0 ? tax : add(tax, multiply(whole(price), deliveryPart));
  const rounded = Number(roundHalfAway(exact));
  return { tax: rounded, total: goods + price + (pricesIncludeTax ? 0 : rounded) };
}
