import { destinationPostcode } from "../../facts/place/postcode.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { CountryCode, closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineCondition, leaf } from "../definition.ts";
import { compiledPatterns, POSTCODE_PATTERNS, postcodePatternProblems } from "../postcode-patterns.ts";

/** It goes to postcodes of a country, by the same patterns zones use. Unknown while the postcode is. */
export const postcode = defineCondition({
  kind: "postcode",
  family: "place",
  schema: Type.Object({ kind: Type.Literal("postcode"), country: CountryCode, patterns: POSTCODE_PATTERNS }, closed),
  example: { kind: "postcode", country: "PT", patterns: ["9000..9399"] },
  compile: ({ country, patterns }) => {
    const compiled = compiledPatterns(country, patterns);
    return leaf(
      ({ facts: { place } }) => {
        if (place.countries.length > 0 && !place.countries.includes(country)) return false;
        const code = place.postcode;
        return code === null ? null : compiled.some((pattern) => pattern.matches(code));
      },
      ({ facts }) => facts.place.postcode,
    );
  },
  constrains: ({ country, patterns }) => ({
    fact: destinationPostcode,
    within: { kind: "patterns", country, patterns },
  }),
  places: ({ country, patterns }) => ({ postcodes: { country, patterns } }),
  words: ({ country, patterns }) => phrase("it goes to {list} in {country}", { list: orList(patterns), country }),
  problems: ({ country, patterns }, path) => postcodePatternProblems(country, patterns, path),
});
