import { Type } from "@sinclair/typebox";
import { closed } from "../../plan/atoms.ts";
import { constant, defineCondition } from "../definition.ts";
import { orList } from "../list.ts";

/** The shopper is one of these, by the id the shop knows them by. A guest is nobody named. */
export const named = defineCondition({
  kind: "named",
  family: "shopper",
  schema: Type.Object(
    {
      kind: Type.Literal("named"),
      ids: Type.Array(Type.String({ minLength: 1, maxLength: 100 }), { minItems: 1, maxItems: 10_000 }),
    },
    closed,
  ),
  example: { kind: "named", ids: ["s-1001"] },
  compile: ({ ids }) => {
    const wanted = new Set(ids);
    return constant(({ facts }) => facts.shopper.id !== undefined && wanted.has(facts.shopper.id));
  },
  words: ({ ids }) => `the shopper is ${ids.length > 3 ? `one of ${ids.length}` : orList(ids)}`,
});
