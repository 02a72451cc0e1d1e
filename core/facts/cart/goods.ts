import type { Fact } from "../fact.ts";

/** What the lines are: labels, traits, figures. */
export const cartLines: Fact = { name: "cart.goods", domain: { kind: "lines" }, words: "what is in the cart" };
