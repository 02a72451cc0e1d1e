import type { Fact } from "../fact.ts";

/** By the patterns that zones use. */
export const destinationPostcode: Fact = {
  name: "place.postcode",
  domain: { kind: "postcode" },
  words: "the postcode it goes to",
};
