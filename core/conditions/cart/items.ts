import { Type } from "@sinclair/typebox";
import { closed } from "../../plan/atoms.ts";
import { COMPARISON_WORDS, Comparison, compared, turningPoints } from "../compare.ts";
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
    const measure = context.measureNumber({ kind: "items" });
    return {
      test: ({ counted }) => compared(is, counted[measure], count),
      thresholds: turningPoints(is, count).map((least) => ({ measure, least })),
      seesLines: true,
    };
  },
  words: ({ is, count }) => `the cart holds ${COMPARISON_WORDS[is]} ${count} ${count === 1 ? "item" : "items"}`,
});
