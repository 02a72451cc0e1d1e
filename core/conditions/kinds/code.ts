import { normalCode } from "../../cart/codes.ts";
import { enteredCodes } from "../../facts/cart/codes.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The shopper entered one of these codes, in whatever case. */
export const code = defineCondition({
  kind: "code",
  family: "cart",
  schema: Type.Object(
    {
      kind: Type.Literal("code"),
      codes: Type.Array(Type.String({ minLength: 1, maxLength: 64 }), { minItems: 1, maxItems: 10_000 }),
    },
    closed,
  ),
  example: { kind: "code", codes: ["INKLOVE"] },
  compile: ({ codes }) => {
    const wanted = codes.map(normalCode);
    return leaf(
      ({ facts }) => wanted.some((one) => facts.codes.has(one)),
      ({ facts }) => [...facts.codes],
    );
  },
  constrains: ({ codes }) => oneOf(enteredCodes, codes.map(normalCode)),
  words: ({ codes }) =>
    codes.length > 3
      ? phrase("one of {count} codes was entered", { count: codes.length })
      : phrase("the code {codes} was entered", { codes: orList(codes) }),
});
