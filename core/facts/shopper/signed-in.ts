import { phrase } from "../../phrases/phrase.ts";
import { Type } from "../../schema/type.ts";
import { shopperFact } from "../shopper-fact.ts";

/** A request that does not say is a guest's. */
export const isSignedIn = shopperFact({
  name: "shopper.signedIn",
  domain: { kind: "flag" },
  words: phrase("signed in"),
  fields: { signedIn: Type.Optional(Type.Boolean()) },
  described: {
    fields: { signedIn: Type.Boolean() },
    plain: { signedIn: true },
    toRequest: ({ signedIn }) => ({ signedIn }),
  },
  read: ({ signedIn }) => signedIn === true,
  witnesses: (asked) => [{ signedIn: asked.flag ?? false }],
});
