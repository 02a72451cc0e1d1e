import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** BCP 47. */
export const readLanguage: Fact = {
  name: "moment.language",
  domain: { kind: "name" },
  words: phrase("the language read"),
};
