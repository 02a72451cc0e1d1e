import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** By the market's clocks, from midnight. */
export const minuteOfDay: Fact = {
  name: "moment.minute",
  domain: { kind: "cycle", length: 1440 },
  words: phrase("the time of day"),
};
