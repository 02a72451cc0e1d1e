import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import type { Right } from "../../../server/keys/rights.ts";

/** What a right lets a shop's server do. */
export const RIGHT_WORDS: Readonly<Record<Right, Phrase>> = {
  quote: phrase("ask for quotes"),
  claim: phrase("claim offers and windows for orders"),
  orders: phrase("send past orders"),
  shoppers: phrase("export and erase a shopper's data"),
};
