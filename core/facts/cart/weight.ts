import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** Milligrams of everything that is shipped. */
export const cartWeight: Fact = {
  name: "cart.weight",
  domain: { kind: "number" },
  words: phrase("the weight of the cart"),
};
