import type { Fact } from "../fact.ts";

/** By the market's clocks, from midnight. */
export const minuteOfDay: Fact = {
  name: "moment.minute",
  domain: { kind: "cycle", length: 1440 },
  words: "the time of day",
};
