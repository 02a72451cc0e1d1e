import { flag } from "../../facts/fact.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The shopper buys for a company. */
export const business = defineCondition({
  kind: "business",
  family: "shopper",
  schema: Type.Object({ kind: Type.Literal("business") }, closed),
  example: { kind: "business" },
  compile: () =>
    leaf(
      ({ facts }) => facts.shopper.business === true,
      ({ facts }) => facts.shopper.business === true,
    ),
  constrains: () => flag("shopper.business"),
  words: () => "the shopper buys for a company",
});
