import { phrase } from "../../phrases/phrase.ts";
import { Name } from "../../schema/identifier.ts";
import { Type } from "../../schema/type.ts";
import { namesFor } from "../asked.ts";
import { shopperFact } from "../shopper-fact.ts";

/** Trade, press, staff: groups by the names the shop gives them. */
export const shopperGroups = shopperFact({
  name: "shopper.groups",
  domain: { kind: "names" },
  words: phrase("groups the shopper is in"),
  fields: { groups: Type.Optional(Type.Array(Name(), { maxItems: 100 })) },
  described: {
    fields: { groups: Type.Array(Type.String({ maxLength: 64 }), { maxItems: 100 }) },
    plain: { groups: [] },
    toRequest: ({ groups }) => ({ groups }),
  },
  read: ({ groups }) => groups ?? [],
  witnesses: (asked) => {
    const groups = namesFor(asked);
    return [groups.length > 0 ? { groups: [...groups] } : {}];
  },
});
