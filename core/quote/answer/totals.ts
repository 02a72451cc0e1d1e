import { discountOn } from "../../cart/order-discount.ts";
import type { ReadCart } from "../../cart/read-cart.ts";
import { goodsValue } from "../../measures/value-measure.ts";
import { allocate } from "../../money/allocate.ts";
import { add, fraction, multiply, reduce, roundHalfAway, timesWhole, ZERO } from "../../money/rational.ts";
import { roundedQuotient, type TaxPart, taxPart } from "../../money/tax-part.ts";

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
  const orderDiscount = cart.discounts ? discountOn(beforeOrder, cart.discounts) : 0;
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
 * What tax there is with one option: on the goods and on delivery, contained in prices that include tax, added to prices that do not;
 * rounded once.
 *
 * @param goods what is paid for them, after all discounts
 * @param price what is paid for delivery
 * @param part what delivery's rate makes of a price
 */
export type TaxOn = (goods: number, price: number, part: TaxPart) => number;

/** @param standard what the zone's standard rate makes of a price */
export function taxOn(cart: ReadCart, totals: Totals, pricesIncludeTax: boolean, standard: TaxPart): TaxOn {
  const before = totals.goods + totals.orderDiscounts;
  let plain = 0;
  let others = ZERO;
  for (const { shelf, discount, taxRate } of cart.lines) {
    if (taxRate === null) plain += shelf - discount;
    else others = reduce(add(others, timesWhole(taxPart(taxRate, pricesIncludeTax).exact, shelf - discount)));
  }
  const exactly: TaxOn = (goods, price, part) => {
    const onAll = add(others, timesWhole(standard.exact, plain));
    const onGoods = before === 0 ? ZERO : goods === before ? onAll : multiply(fraction(goods, before), onAll);
    return roundHalfAway(add(onGoods, timesWhole(part.exact, price)));
  };
  return (goods, price, part) => {
    // Most goods are taxed at the standard rate, as delivery is, and nothing comes off the order.
    const inDoubles =
      goods === before && others === ZERO && part.d === standard.d
        ? roundedQuotient(plain * standard.n + price * part.n, part.d)
        : null;
    return inDoubles ?? exactly(goods, price, part);
  };
}
