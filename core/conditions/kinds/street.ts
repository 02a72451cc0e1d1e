import { streetWords } from "../../facts/place/street.ts";
import { plainStreet, streetHas } from "../../places/street.ts";
import { closed, Tag } from "../../schema/atoms.ts";
import { orList } from "../../schema/list-words.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The street lines have some of these words: a post office box, a barracks, a harbour. Unknown while they are not told. */
export const street = defineCondition({
  kind: "street",
  family: "place",
  schema: Type.Object({ kind: Type.Literal("street"), words: Type.Array(Tag, { minItems: 1, maxItems: 100 }) }, closed),
  example: { kind: "street", words: ["PO box", "Apartado", "Postfach"] },
  compile: ({ words }) =>
    leaf(
      ({ facts }) => (facts.street === null ? null : words.some((one) => streetHas(facts.street ?? "", one))),
      ({ facts }) => facts.street?.trim() ?? null,
    ),
  constrains: ({ words }) =>
    oneOf(
      streetWords,
      words.map((one) => plainStreet(one).trim()),
    ),
  words: ({ words }) => `the street it goes to has ${orList(words.map((one) => `“${one}”`))}`,
});
