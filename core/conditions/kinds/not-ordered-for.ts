import { ranged } from "../../facts/fact.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { instantOf } from "../../time/instant.ts";
import { defineCondition, leaf } from "../definition.ts";

const DAY = 86_400_000;

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
        const { lastOrderAt, orderCount } = facts.shopper;
        if (lastOrderAt !== undefined) return facts.at - instantOf(lastOrderAt) >= days * DAY;
        return orderCount === 0 ? true : null;
      },
      ({ facts }) => facts.shopper.lastOrderAt ?? (facts.shopper.orderCount === 0 ? "never" : null),
    ),
  constrains: ({ days }) => ranged("shopper.daysSinceOrder", { kind: "number" }, { from: days, until: null }),
  words: ({ days }) => `the shopper has not ordered for ${days} ${days === 1 ? "day" : "days"}`,
});
