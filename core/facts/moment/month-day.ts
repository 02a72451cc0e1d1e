import type { Fact } from "../fact.ts";

/** By the market's clocks, from 1. */
export const monthDay: Fact = { name: "moment.monthDay", domain: { kind: "number" }, words: "the day of the month" };
