import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** ISO 3166-2 codes; regions lie in regions. */
export const destinationRegion: Fact = {
  name: "place.region",
  domain: { kind: "name" },
  words: phrase("the region it goes to"),
};
