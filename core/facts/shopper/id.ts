import { phrase } from "../../phrases/phrase.ts";
import { Name } from "../../schema/identifier.ts";
import { Type } from "../../schema/type.ts";
import { shopperFact } from "../shopper-fact.ts";

/** Whom the shop knows them as; a guest is nobody. */
export const shopperId = shopperFact({
  name: "shopper.id",
  domain: { kind: "name" },
  words: phrase("who the shopper is"),
  fields: { id: Type.Optional(Name(100)) },
  described: {
    fields: { id: Type.Optional(Type.Union([Name(100), Type.Null()])) },
    plain: {},
    toRequest: ({ id }) => ({ id: id ?? "described" }),
  },
  read: ({ id }) => id ?? null,
  witnesses: (asked) => [{ id: asked.name?.in?.[0] ?? "somebody" }],
});
