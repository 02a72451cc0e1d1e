import { billingCountry } from "../../facts/shopper/billing-country.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { CountryCode, closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The bill goes to one of these countries, wherever the goods go; unknown unless the request says. */
export const billing = defineCondition({
  kind: "billing",
  family: "place",
  schema: Type.Object(
    { kind: Type.Literal("billing"), countries: Type.Array(CountryCode, { minItems: 1, maxItems: 300 }) },
    closed,
  ),
  example: { kind: "billing", countries: ["PT"] },
  compile: ({ countries }) => {
    const wanted = new Set(countries);
    return leaf(
      ({ facts }) => {
        const to = billingCountry.read(facts.shopper, facts.at);
        return to === null ? null : wanted.has(to);
      },
      ({ facts }) => billingCountry.read(facts.shopper, facts.at),
    );
  },
  constrains: ({ countries }) => oneOf(billingCountry, countries),
  words: ({ countries }) =>
    phrase("the bill goes to {list}", { list: orList(countries.map((code) => ({ code, type: "region" }))) }),
});
