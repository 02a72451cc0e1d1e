import { Type } from "@sinclair/typebox";
import { closed } from "../../plan/atoms.ts";
import { COMPARISON_WORDS, Comparison, compared } from "../compare.ts";
import { constant, defineCondition } from "../definition.ts";

/** How many orders the shopper has placed so far; unknown unless the request says. */
export const orders = defineCondition({
  kind: "orders",
  family: "shopper",
  schema: Type.Object(
    { kind: Type.Literal("orders"), is: Comparison, count: Type.Integer({ minimum: 0, maximum: 1_000_000 }) },
    closed,
  ),
  example: { kind: "orders", is: "exactly", count: 0 },
  compile: ({ is, count }) => constant(({ facts }) => compared(is, facts.shopper.orderCount, count)),
  words: ({ is, count }) =>
    is === "exactly" && count === 0
      ? "it is the shopper's first order"
      : `the shopper has placed ${COMPARISON_WORDS[is]} ${count} ${count === 1 ? "order" : "orders"}`,
});
