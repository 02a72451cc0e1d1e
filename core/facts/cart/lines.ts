import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** Different goods, however many of each. */
export const lineCount: Fact = { name: "cart.lines", domain: { kind: "number" }, words: phrase("lines of the cart") };
