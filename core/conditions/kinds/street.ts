import { streetWords } from "../../facts/place/street.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { plainStreet, streetHas } from "../../places/street.ts";
import { closed, Tag } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The street lines have some of these words: a post office box, a barracks, a harbour. Unknown while they are not told. */
export const street = defineCondition({
  kind: "street",
  family: "place",
  schema: Type.Object({ kind: Type.Literal("street"), words: Type.Array(Tag, { minItems: 1, maxItems: 100 }) }, closed),
  example: { kind: "street", words: ["PO box", "Apartado", "Postfach"] },
  compile: ({ words }) => {
    const wanted = words.map(plainStreet);
    return leaf(
      ({ facts: { street: lines } }) => (lines === null ? null : wanted.some((one) => streetHas(lines, one))),
      ({ facts }) => facts.street?.trim() ?? null,
    );
  },
  constrains: ({ words }) =>
    oneOf(
      streetWords,
      words.map((one) => plainStreet(one).trim()),
    ),
  problems: ({ words }, path) =>
    words.flatMap((one, i) =>
      plainStreet(one).trim() === ""
        ? [{ path: `${path}/words/${i}`, message: phrase('"{one}" has no letter and no digit in it', { one }) }]
        : [],
    ),
  words: ({ words }) => phrase("the street it goes to has {words}", { words: orList(words.map((one) => `“${one}”`)) }),
});
