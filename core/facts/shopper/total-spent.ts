import { phrase } from "../../phrases/phrase.ts";
import { MinorUnits } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { numbersFor } from "../asked.ts";
import { shopperFact } from "../shopper-fact.ts";

/** Minor units of all orders so far; not known unless the request says. */
export const totalSpent = shopperFact({
  name: "shopper.totalSpent",
  domain: { kind: "number" },
  words: phrase("spent on all orders so far"),
  fields: { totalSpent: Type.Optional(MinorUnits) },
  described: {
    fields: { totalSpent: Type.Optional(Type.Union([MinorUnits, Type.Null()])) },
    plain: {},
    toRequest: ({ totalSpent: spent }) => (spent == null ? {} : { totalSpent: spent }),
  },
  read: ({ totalSpent: spent }) => spent ?? null,
  witnesses: (asked) => numbersFor(asked, 10_000_000_000)?.map((spent) => ({ totalSpent: spent })) ?? [{}],
});
