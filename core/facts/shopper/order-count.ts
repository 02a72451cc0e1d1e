import { phrase } from "../../phrases/phrase.ts";
import { Type } from "../../schema/type.ts";
import { numbersFor } from "../asked.ts";
import { shopperFact } from "../shopper-fact.ts";

/** Orders placed so far; not known unless the request says. */
export const orderCount = shopperFact({
  name: "shopper.orderCount",
  domain: { kind: "number" },
  words: phrase("orders so far"),
  fields: { orderCount: Type.Optional(Type.Integer({ minimum: 0, maximum: 1_000_000_000 })) },
  described: {
    fields: { orderCount: Type.Union([Type.Integer({ minimum: 0 }), Type.Null()]) },
    plain: { orderCount: null },
    toRequest: ({ orderCount: count }) => (count === null ? {} : { orderCount: count }),
  },
  read: ({ orderCount: count }) => count ?? null,
  witnesses: (asked) => numbersFor(asked, 1_000_000)?.map((count) => ({ orderCount: count })) ?? [{}],
});
