import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** By the market's clocks, from 1. */
export const monthDay: Fact = {
  name: "moment.monthDay",
  domain: { kind: "number" },
  words: phrase("the day of the month"),
};
