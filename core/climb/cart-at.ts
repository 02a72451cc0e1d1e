import { filler } from "../cart/read-cart.ts";
import type { Cart, CartLine } from "../request/request.ts";

/**
 * The cart of the climb at shelf value x (minor units, before any discount): the sample cart's lines in order until x
 * is spent, the last one in part, then filler for what is left. Order discounts stay.
 *
 * Part of a line is one line worth what was left of x, with its share of the line's discount, rounded down.
 *
 * @example cartAt({ lines: [{ sku: "ink", quantity: 2, unitPrice: 500 }] }, 1200) // ink × 2, then filler worth 200
 */
export function cartAt(sample: Cart, x: number): Cart {
  const lines: CartLine[] = [];
  let left = x;
  for (const line of sample.lines) {
    if (left <= 0) break;
    const shelf = line.unitPrice * line.quantity;
    lines.push(shelf <= left ? line : partOf(line, left));
    left -= Math.min(left, shelf);
  }
  if (left > 0) lines.push(filler("value", left));
  return { ...sample, lines };
}

function partOf(line: CartLine, value: number): CartLine {
  const part = { ...line, quantity: 1, unitPrice: value };
  if (line.discount === undefined) return part;
  const shelf = BigInt(line.unitPrice * line.quantity);
  return { ...part, discount: Number((BigInt(line.discount) * BigInt(value)) / shelf) };
}
