import { destinationCountry } from "../../facts/place/country.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { territoriesUnder } from "../../places/territory.ts";
import { CountryCode, closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** It goes to one of these countries; unknown while the country is. */
export const country = defineCondition({
  kind: "country",
  family: "place",
  schema: Type.Object(
    { kind: Type.Literal("country"), countries: Type.Array(CountryCode, { minItems: 1, maxItems: 300 }) },
    closed,
  ),
  example: { kind: "country", countries: ["PT", "ES"] },
  compile: ({ countries }) => {
    const wanted = new Set(countries);
    return leaf(
      ({ facts: { place } }) => {
        if (place.countries.some((code) => wanted.has(code))) return true;
        // Who only says "United States" may still mean Puerto Rico.
        const narrower =
          !place.regionKnown && place.countries.flatMap(territoriesUnder).some((code) => wanted.has(code));
        return place.countries.length === 0 || narrower ? null : false;
      },
      ({ facts }) => facts.place.countries[0] ?? null,
    );
  },
  constrains: ({ countries }) => oneOf(destinationCountry, countries),
  places: ({ countries }) => ({ countries, regions: countries }),
  words: ({ countries }) =>
    phrase("it goes to {list}", { list: orList(countries.map((code) => ({ code, type: "region" }))) }),
});
