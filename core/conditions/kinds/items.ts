import { itemCount } from "../../facts/cart/items.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { COMPARISON_WORDS, Comparison, rangeOf } from "../compare.ts";
import { inRanges } from "../constraint.ts";
import { countedLeaf } from "../counted.ts";
import { defineCondition } from "../definition.ts";

/** How many pieces the cart holds, whatever they are. */
export const items = defineCondition({
  kind: "items",
  family: "cart",
  schema: Type.Object(
    { kind: Type.Literal("items"), is: Comparison, count: Type.Integer({ minimum: 0, maximum: 1_000_000 }) },
    closed,
  ),
  example: { kind: "items", is: "more-than", count: 8 },
  compile: ({ is, count }, context) => {
    const measure = context.measureNumber({ kind: "items" }, "all");
    return countedLeaf(measure, is, count);
  },
  constrains: ({ is, count }) => inRanges(itemCount, rangeOf(is, count)),
  words: ({ is, count }) =>
    phrase("the cart holds {is} {count, plural, one {# item} other {# items}}", {
      is: COMPARISON_WORDS[is],
      count,
    }),
});
