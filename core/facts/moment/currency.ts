import type { Fact } from "../fact.ts";

/** ISO 4217. */
export const paidCurrency: Fact = { name: "moment.currency", domain: { kind: "name" }, words: "the currency paid in" };
