import { isSignedIn } from "../../facts/shopper/signed-in.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { isTrue } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The shopper is signed in. A request that does not say is a guest's. */
export const signedIn = defineCondition({
  kind: "signed-in",
  family: "shopper",
  schema: Type.Object({ kind: Type.Literal("signed-in") }, closed),
  example: { kind: "signed-in" },
  compile: () =>
    leaf(
      ({ facts }) => isSignedIn.read(facts.shopper, facts.at),
      ({ facts }) => isSignedIn.read(facts.shopper, facts.at),
    ),
  constrains: () => isTrue(isSignedIn),
  words: () => phrase("the shopper is signed in"),
});
