import type { Fact } from "../fact.ts";

/** Card, invoice, cash on delivery: the way of paying, once one is chosen. */
export const wayOfPaying: Fact = { name: "moment.payment", domain: { kind: "name" }, words: "how it is paid" };
