import { paidCurrency } from "../../facts/moment/currency.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { CurrencyCode, closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The shopper pays in one of these currencies. */
export const currency = defineCondition({
  kind: "currency",
  family: "moment",
  schema: Type.Object(
    { kind: Type.Literal("currency"), currencies: Type.Array(CurrencyCode, { minItems: 1, maxItems: 200 }) },
    closed,
  ),
  example: { kind: "currency", currencies: ["EUR"] },
  compile: ({ currencies }) => {
    const wanted = new Set(currencies);
    return leaf(
      ({ facts }) => wanted.has(facts.currency),
      ({ facts }) => facts.currency,
    );
  },
  constrains: ({ currencies }) => oneOf(paidCurrency, currencies),
  words: ({ currencies }) => phrase("the shopper pays in {list}", { list: orList(currencies) }),
});
