import { type OrderDiscounts, orderDiscounts } from "../measures/order-discount.ts";
import { percent } from "../money/decimal.ts";
import type { Rational } from "../money/rational.ts";
import type { Problem } from "../plan/problem.ts";
import type { Cart, CartLine } from "../quote/request.ts";

/** A cart line ready for counting. `shelf` is price × quantity before any discount, in minor units. */
export type ReadLine = {
  readonly sku: string;
  readonly quantity: number;
  readonly shelf: number;
  readonly discount: number;
  /** Null: the standard rate of the zone. */
  readonly taxRate: Rational | null;
  readonly categories: readonly string[];
  readonly tags: readonly string[];
};

export type ReadCart = {
  readonly lines: readonly ReadLine[];
  /** Null when the order has no discount of its own. */
  readonly discounts: OrderDiscounts | null;
};

/** Ordinary goods of a market at the zone's standard tax: what a shopper could add to reach a goal. */
export const FILLER_SKU = "filler";

/** @example filler(640) // a cart line worth 640 minor units */
export function filler(value: number): CartLine {
  return { sku: FILLER_SKU, quantity: 1, unitPrice: value };
}

/** Larger carts could not be summed exactly in a double. */
const LARGEST_CART = 2 ** 50;

export function readCart(cart: Cart, path: string): ReadCart | { problems: Problem[] } {
  const problems = cartProblems(cart, path);
  if (problems.length > 0) return { problems };
  return {
    lines: cart.lines.map(readLine),
    discounts: cart.discounts?.length ? orderDiscounts(cart.discounts) : null,
  };
}

export function readLine(line: CartLine): ReadLine {
  return {
    sku: line.sku,
    quantity: line.quantity,
    shelf: line.unitPrice * line.quantity,
    discount: line.discount ?? 0,
    taxRate: line.taxRate === undefined ? null : (percent(line.taxRate) ?? null),
    categories: line.categories ?? [],
    tags: line.tags ?? [],
  };
}

function cartProblems(cart: Cart, path: string): Problem[] {
  const problems: Problem[] = [];
  let total = 0;
  cart.lines.forEach((line, i) => {
    const shelf = line.unitPrice * line.quantity;
    total += shelf;
    if ((line.discount ?? 0) > shelf) {
      problems.push({ path: `${path}/lines/${i}/discount`, message: `takes off more than the line's ${shelf}` });
    }
  });
  if (total > LARGEST_CART)
    problems.push({ path: `${path}/lines`, message: "the cart is worth more than can be counted" });
  cart.discounts?.forEach((discount, i) => {
    if ("percent" in discount && Number(discount.percent) > 100) {
      problems.push({ path: `${path}/discounts/${i}/percent`, message: "takes off more than 100 percent" });
    }
  });
  return problems;
}
