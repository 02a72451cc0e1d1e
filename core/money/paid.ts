import { type LinearAmount, minus } from "./linear-amount.ts";

/** What a shopper pays: each amount is rounded by itself, what comes off the order too. */
export type Paid = { readonly price: LinearAmount; readonly off: LinearAmount };

export type Side = readonly [LinearAmount, LinearAmount];

/** There is less to pay where `less` comes to less than `more`, each amount rounded. What is the same on both is rounded alike, and left out. */
export function sidesOf(after: Paid, before: Paid): { readonly less: Side; readonly more: Side } {
  const [price, fullPrice] = minus(after.price, before.price) === 0 ? [0, 0] : [after.price, before.price];
  const [off, fullOff] = minus(after.off, before.off) === 0 ? [0, 0] : [after.off, before.off];
  return { less: [price, fullOff], more: [fullPrice, off] };
}
