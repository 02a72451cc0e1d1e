import { wayOfPaying } from "../../facts/moment/payment.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed, Tag } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** It is paid in one of these ways. Unknown until one is chosen, so that nothing is promised that hangs on it. */
export const payment = defineCondition({
  kind: "payment",
  family: "moment",
  schema: Type.Object(
    { kind: Type.Literal("payment"), methods: Type.Array(Tag, { minItems: 1, maxItems: 50 }) },
    closed,
  ),
  example: { kind: "payment", methods: ["invoice"] },
  compile: ({ methods }) => {
    const wanted = new Set(methods);
    return leaf(
      ({ facts }) => (facts.payment === null ? null : wanted.has(facts.payment)),
      ({ facts }) => facts.payment,
    );
  },
  constrains: ({ methods }) => oneOf(wayOfPaying, methods),
  words: ({ methods }) => phrase("it is paid by {list}", { list: orList(methods) }),
});
