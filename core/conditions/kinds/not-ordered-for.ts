import { daysSinceOrder } from "../../facts/shopper/days-since-order.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { inRanges } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/**
 * The shopper last ordered at least so many days (of 24 hours) ago. Who has never ordered has not ordered for any number
 * of days; without a history it is unknown.
 */
export const notOrderedFor = defineCondition({
  kind: "not-ordered-for",
  family: "shopper",
  schema: Type.Object(
    { kind: Type.Literal("not-ordered-for"), days: Type.Integer({ minimum: 1, maximum: 36_500 }) },
    closed,
  ),
  example: { kind: "not-ordered-for", days: 90 },
  compile: ({ days }) =>
    leaf(
      ({ facts }) => {
        const since = daysSinceOrder.read(facts.shopper, facts.at);
        return since === null ? null : since >= days;
      },
      ({ facts }) => facts.shopper.lastOrderAt ?? (facts.shopper.orderCount === 0 ? "never" : null),
    ),
  constrains: ({ days }) => inRanges(daysSinceOrder, { from: days, until: null }),
  words: ({ days }) => phrase("the shopper has not ordered for {days, plural, one {# day} other {# days}}", { days }),
});
