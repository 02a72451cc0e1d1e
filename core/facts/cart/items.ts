import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** Pieces of anything. */
export const itemCount: Fact = { name: "cart.items", domain: { kind: "number" }, words: phrase("items in the cart") };
