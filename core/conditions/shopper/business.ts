import { Type } from "@sinclair/typebox";
import { closed } from "../../plan/atoms.ts";
import { constant, defineCondition } from "../definition.ts";

/** The shopper buys for a company. */
export const business = defineCondition({
  kind: "business",
  family: "shopper",
  schema: Type.Object({ kind: Type.Literal("business") }, closed),
  example: { kind: "business" },
  compile: () => constant(({ facts }) => facts.shopper.business === true),
  words: () => "the shopper buys for a company",
});
