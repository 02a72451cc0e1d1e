import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** Metres from one of the plan's locations, as the crow flies. */
export const distanceFrom: Fact = {
  name: "place.distance",
  domain: { kind: "number" },
  words: phrase("how far it goes"),
};
