import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** ISO 3166-1 codes; a territory has two. */
export const destinationCountry: Fact = {
  name: "place.country",
  domain: { kind: "name" },
  words: phrase("the country it goes to"),
};
