import type { Fact } from "../fact.ts";

/** As shoppers type them, in capitals. */
export const enteredCodes: Fact = { name: "cart.codes", domain: { kind: "names" }, words: "codes entered" };
