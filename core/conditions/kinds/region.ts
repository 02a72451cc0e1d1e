import { destinationRegion } from "../../facts/place/region.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed, RegionCode } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** It goes to one of these regions (ISO 3166-2). Unknown while the region is, unless the country already rules it out. */
export const region = defineCondition({
  kind: "region",
  family: "place",
  schema: Type.Object(
    { kind: Type.Literal("region"), regions: Type.Array(RegionCode, { minItems: 1, maxItems: 1000 }) },
    closed,
  ),
  example: { kind: "region", regions: ["PT-20", "PT-30"] },
  compile: ({ regions }) => {
    const wanted = new Set(regions);
    const countries = new Set(regions.map((code) => code.slice(0, 2)));
    return leaf(
      ({ facts: { place } }) => {
        if (place.regionKnown) return place.regions.some((code) => wanted.has(code));
        return place.countries.length > 0 && !place.countries.some((code) => countries.has(code)) ? false : null;
      },
      ({ facts }) => (facts.place.regions.length > 0 ? facts.place.regions : null),
    );
  },
  constrains: ({ regions }) => oneOf(destinationRegion, regions),
  places: ({ regions }) => ({ regions }),
  words: ({ regions }) => phrase("it goes to {list}", { list: orList(regions) }),
});
