import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** Card, invoice, cash on delivery: the way of paying, once one is chosen. */
export const wayOfPaying: Fact = { name: "moment.payment", domain: { kind: "name" }, words: phrase("how it is paid") };
