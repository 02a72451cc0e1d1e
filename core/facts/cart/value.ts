import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** Minor units on some basis. */
export const cartValue: Fact = {
  name: "cart.value",
  domain: { kind: "number" },
  words: phrase("the value of the cart"),
};
