import { cartWeight } from "../../facts/cart/weight.ts";
import { rounded } from "../../money/linear-amount.ts";
import { phrase } from "../../phrases/phrase.ts";
import { milligrams, Weight } from "../../quantities/quantity.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { COMPARISON_WORDS, Comparison, rangeOf } from "../compare.ts";
import { inRanges } from "../constraint.ts";
import { countedLeaf } from "../counted.ts";
import { defineCondition } from "../definition.ts";

/** What everything that is shipped weighs together; unknown while a weight is missing. */
export const weight = defineCondition({
  kind: "weight",
  family: "cart",
  schema: Type.Object({ kind: Type.Literal("weight"), is: Comparison, weight: Weight }, closed),
  example: { kind: "weight", is: "at-most", weight: { value: "2", unit: "kg" } },
  compile: ({ is, weight: limit }, context) => {
    const measure = context.measureNumber({ kind: "weight" }, "shipped");
    const to = rounded(milligrams(limit));
    return countedLeaf(measure, is, to);
  },
  found: "weight",
  constrains: ({ is, weight: limit }) => inRanges(cartWeight, rangeOf(is, rounded(milligrams(limit)))),
  words: ({ is, weight: limit }) =>
    phrase("it weighs {is} {value} {unit}", { is: COMPARISON_WORDS[is], value: limit.value, unit: limit.unit }),
});
