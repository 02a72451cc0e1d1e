import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** By the patterns that zones use. */
export const destinationPostcode: Fact = {
  name: "place.postcode",
  domain: { kind: "postcode" },
  words: phrase("the postcode it goes to"),
};
