import type { Fact } from "../fact.ts";

/** BCP 47. */
export const readLanguage: Fact = { name: "moment.language", domain: { kind: "name" }, words: "the language read" };
