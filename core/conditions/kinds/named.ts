import { shopperId } from "../../facts/shopper/id.ts";
import { closed } from "../../schema/atoms.ts";
import { orList } from "../../schema/list-words.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

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
    return leaf(
      ({ facts }) => {
        const id = shopperId.read(facts.shopper, facts.at);
        return id !== null && wanted.has(id);
      },
      ({ facts }) => shopperId.read(facts.shopper, facts.at) ?? "a guest",
    );
  },
  constrains: ({ ids }) => oneOf(shopperId, ids),
  words: ({ ids }) => `the shopper is ${ids.length > 3 ? `one of ${ids.length}` : orList(ids)}`,
});
