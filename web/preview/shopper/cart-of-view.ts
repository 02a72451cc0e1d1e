import type { ShownCart } from "../../state/standpoint.ts";

/** A cart with one more piece of a product. */
export function withOneMore(cart: ShownCart, sku: string): ShownCart {
  const held = cart.lines.find((line) => line.sku === sku);
  const lines = held
    ? cart.lines.map((line) => (line === held ? { ...line, quantity: line.quantity + 1 } : line))
    : [...cart.lines, { sku, quantity: 1 }];
  return { ...cart, lines };
}
