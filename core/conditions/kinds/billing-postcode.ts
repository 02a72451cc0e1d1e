import { billingCountry } from "../../facts/shopper/billing-country.ts";
import { billingPostcode as postcodeOfTheBill } from "../../facts/shopper/billing-postcode.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { normalPostcode } from "../../postcodes/postcode.ts";
import { CountryCode, closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineCondition, leaf } from "../definition.ts";
import { compiledPatterns, POSTCODE_PATTERNS, postcodePatternProblems } from "../postcode-patterns.ts";

/** The bill goes to postcodes of a country, wherever the goods go; unknown unless the request says country and postcode. */
export const billingPostcode = defineCondition({
  kind: "billing-postcode",
  family: "place",
  schema: Type.Object(
    { kind: Type.Literal("billing-postcode"), country: CountryCode, patterns: POSTCODE_PATTERNS },
    closed,
  ),
  example: { kind: "billing-postcode", country: "PT", patterns: ["9000..9399"] },
  compile: ({ country, patterns }) => {
    const compiled = compiledPatterns(country, patterns);
    return leaf(
      ({ facts: { shopper, at } }) => {
        const [to, code] = [billingCountry.read(shopper, at), postcodeOfTheBill.read(shopper, at)];
        if (to !== null && to !== country) return false;
        if (to === null || code === null) return null;
        const normal = normalPostcode(country, code);
        return compiled.some((pattern) => pattern.matches(normal));
      },
      ({ facts: { shopper, at } }) => postcodeOfTheBill.read(shopper, at),
    );
  },
  constrains: ({ country, patterns }) => ({
    fact: postcodeOfTheBill,
    within: { kind: "patterns", country, patterns },
  }),
  words: ({ country, patterns }) => phrase("the bill goes to {list} in {country}", { list: orList(patterns), country }),
  problems: ({ country, patterns }, path) => postcodePatternProblems(country, patterns, path),
});
