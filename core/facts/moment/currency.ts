import { phrase } from "../../phrases/phrase.ts";
import type { Fact } from "../fact.ts";

/** ISO 4217. */
export const paidCurrency: Fact = {
  name: "moment.currency",
  domain: { kind: "name" },
  words: phrase("the currency paid in"),
};
