import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** By the market's clocks; Monday is 0. */
export const weekday: Fact = {
  name: "moment.weekday",
  domain: { kind: "cycle", length: 7 },
  words: phrase("the day of the week"),
};
