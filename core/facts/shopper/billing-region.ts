import { phrase } from "../../phrases/phrase.ts";
import { RegionCode } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { nameFor } from "../asked.ts";
import { shopperFact } from "../shopper-fact.ts";

/** The region (ISO 3166-2) the bill goes to, wherever the goods go; not known unless the request says. */
export const billingRegion = shopperFact({
  name: "place.billingRegion",
  domain: { kind: "name" },
  words: phrase("the region the bill goes to"),
  fields: { billingRegion: Type.Optional(RegionCode) },
  described: {
    fields: { billingRegion: Type.Optional(Type.Union([RegionCode, Type.Null()])) },
    plain: {},
    toRequest: ({ billingRegion: region }) => (region == null ? {} : { billingRegion: region }),
  },
  read: ({ billingRegion: region }) => region ?? null,
  witnesses: (asked) => [asked.name ? { billingRegion: nameFor(asked, "PT-11", "DE-BE") } : {}],
});
