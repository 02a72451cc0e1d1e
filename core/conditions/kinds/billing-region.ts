import { billingRegion as regionOfTheBill } from "../../facts/shopper/billing-region.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed, RegionCode } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The bill goes to one of these regions, wherever the goods go; unknown unless the request says. */
export const billingRegion = defineCondition({
  kind: "billing-region",
  family: "place",
  schema: Type.Object(
    { kind: Type.Literal("billing-region"), regions: Type.Array(RegionCode, { minItems: 1, maxItems: 1000 }) },
    closed,
  ),
  example: { kind: "billing-region", regions: ["PT-30"] },
  compile: ({ regions }) => {
    const wanted = new Set(regions);
    return leaf(
      ({ facts }) => {
        const to = regionOfTheBill.read(facts.shopper, facts.at);
        return to === null ? null : wanted.has(to);
      },
      ({ facts }) => regionOfTheBill.read(facts.shopper, facts.at),
    );
  },
  constrains: ({ regions }) => oneOf(regionOfTheBill, regions),
  words: ({ regions }) => phrase("the bill goes to {list}", { list: orList(regions) }),
});
