import { shopperId } from "../../facts/shopper/id.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** What is found of somebody who is not known. */
export const GUEST = phrase("a guest").message;

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
      ({ facts }) => shopperId.read(facts.shopper, facts.at) ?? GUEST,
    );
  },
  constrains: ({ ids }) => oneOf(shopperId, ids),
  words: ({ ids }) =>
    phrase("the shopper is {part}", {
      part: ids.length > 3 ? phrase("one of {count}", { count: ids.length }) : orList(ids),
    }),
});
