import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** What the lines are: labels, traits, figures. */
export const cartLines: Fact = { name: "cart.goods", domain: { kind: "lines" }, words: phrase("what is in the cart") };
