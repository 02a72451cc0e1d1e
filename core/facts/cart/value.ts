import type { Fact } from "../fact.ts";

/** Minor units on some basis. */
export const cartValue: Fact = { name: "cart.value", domain: { kind: "number" }, words: "the value of the cart" };
