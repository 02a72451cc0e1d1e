import { orderCount } from "../../facts/shopper/order-count.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import type { Situation } from "../../situation/situation.ts";
import { COMPARISON_WORDS, Comparison, compared, rangeOf } from "../compare.ts";
import { inRanges } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** How many orders the shopper has placed so far; unknown unless the request says. */
export const orders = defineCondition({
  kind: "orders",
  family: "shopper",
  schema: Type.Object(
    { kind: Type.Literal("orders"), is: Comparison, count: Type.Integer({ minimum: 0, maximum: 1_000_000 }) },
    closed,
  ),
  example: { kind: "orders", is: "exactly", count: 0 },
  compile: ({ is, count }) =>
    leaf(
      compared(is, count, ({ facts }: Situation) => orderCount.read(facts.shopper, facts.at)),
      ({ facts }) => orderCount.read(facts.shopper, facts.at),
    ),
  constrains: ({ is, count }) => inRanges(orderCount, rangeOf(is, count)),
  words: ({ is, count }) =>
    is === "exactly" && count === 0
      ? phrase("it is the shopper's first order")
      : phrase("the shopper has placed {is} {count, plural, one {# order} other {# orders}}", {
          is: COMPARISON_WORDS[is],
          count,
        }),
});
