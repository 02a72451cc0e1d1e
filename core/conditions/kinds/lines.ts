import { lineCount } from "../../facts/cart/lines.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { COMPARISON_WORDS, Comparison, rangeOf } from "../compare.ts";
import { inRanges } from "../constraint.ts";
import { countedLeaf } from "../counted.ts";
import { defineCondition } from "../definition.ts";

/** How many lines the cart has: different goods, however many of each. */
export const lines = defineCondition({
  kind: "lines",
  family: "cart",
  schema: Type.Object(
    { kind: Type.Literal("lines"), is: Comparison, count: Type.Integer({ minimum: 0, maximum: 1_000_000 }) },
    closed,
  ),
  example: { kind: "lines", is: "more-than", count: 3 },
  compile: ({ is, count }, context) => {
    const measure = context.measureNumber({ kind: "lines" }, "all");
    return countedLeaf(measure, is, count);
  },
  constrains: ({ is, count }) => inRanges(lineCount, rangeOf(is, count)),
  words: ({ is, count }) =>
    phrase("the cart has {is} {count, plural, one {# line} other {# lines}}", {
      is: COMPARISON_WORDS[is],
      count,
    }),
});
