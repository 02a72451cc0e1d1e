import { Type } from "@sinclair/typebox";
import { closed } from "../../plan/atoms.ts";
import { constant, defineCondition } from "../definition.ts";

/** The shopper is signed in. A request that does not say is a guest's. */
export const signedIn = defineCondition({
  kind: "signed-in",
  family: "shopper",
  schema: Type.Object({ kind: Type.Literal("signed-in") }, closed),
  example: { kind: "signed-in" },
  compile: () => constant(({ facts }) => facts.shopper.signedIn === true),
  words: () => "the shopper is signed in",
});
