import type { Fact } from "../fact.ts";

/** Milligrams of everything that is shipped. */
export const cartWeight: Fact = { name: "cart.weight", domain: { kind: "number" }, words: "the weight of the cart" };
