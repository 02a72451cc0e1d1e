import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** As shoppers type them, in capitals. */
export const enteredCodes: Fact = { name: "cart.codes", domain: { kind: "names" }, words: phrase("codes entered") };
