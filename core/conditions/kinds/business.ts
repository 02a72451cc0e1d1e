import { isBusiness } from "../../facts/shopper/business.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { isTrue } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The shopper buys for a company. */
export const business = defineCondition({
  kind: "business",
  family: "shopper",
  schema: Type.Object({ kind: Type.Literal("business") }, closed),
  example: { kind: "business" },
  compile: () =>
    leaf(
      ({ facts }) => isBusiness.read(facts.shopper, facts.at),
      ({ facts }) => isBusiness.read(facts.shopper, facts.at),
    ),
  constrains: () => isTrue(isBusiness),
  words: () => phrase("the shopper buys for a company"),
});
