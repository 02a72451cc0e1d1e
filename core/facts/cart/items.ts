import type { Fact } from "../fact.ts";

/** Pieces of anything. */
export const itemCount: Fact = { name: "cart.items", domain: { kind: "number" }, words: "items in the cart" };
