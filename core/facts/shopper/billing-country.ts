import { phrase } from "../../phrases/phrase.ts";
import { CountryCode } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { nameFor } from "../asked.ts";
import { shopperFact } from "../shopper-fact.ts";

/** Where the bill goes, wherever the goods go; not known unless the request says. */
export const billingCountry = shopperFact({
  name: "place.billingCountry",
  domain: { kind: "name" },
  words: phrase("the country the bill goes to"),
  fields: { billingCountry: Type.Optional(CountryCode) },
  described: {
    fields: { billingCountry: Type.Optional(Type.Union([CountryCode, Type.Null()])) },
    plain: {},
    toRequest: ({ billingCountry: country }) => (country == null ? {} : { billingCountry: country }),
  },
  read: ({ billingCountry: country }) => country ?? null,
  // Nobody asks where the bill goes: another fact may say it then.
  witnesses: (asked) => [{ billingCountry: nameFor(asked, "PT", "DE") }, ...(asked.name ? [] : [{}])],
});
