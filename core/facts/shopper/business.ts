import { phrase } from "../../phrases/phrase.ts";
import { Type } from "../../schema/type.ts";
import { shopperFact } from "../shopper-fact.ts";

/** Buys for a company; a request that does not say is a person's. */
export const isBusiness = shopperFact({
  name: "shopper.business",
  domain: { kind: "flag" },
  words: phrase("buys for a company"),
  fields: { business: Type.Optional(Type.Boolean()) },
  described: {
    fields: { business: Type.Boolean() },
    plain: { business: false },
    toRequest: ({ business }) => ({ business }),
  },
  read: ({ business }) => business === true,
  witnesses: (asked) => [{ business: asked.flag ?? false }],
});
