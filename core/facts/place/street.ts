import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** Words of the street lines it goes to, such as those for a post office box. */
export const streetWords: Fact = {
  name: "place.street",
  domain: { kind: "names" },
  words: phrase("words of the street it goes to"),
};
