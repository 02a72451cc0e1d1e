import { shopperGroups } from "../../facts/shopper/groups.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed, Tag } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { oneOf } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The shopper is in one of these groups. */
export const group = defineCondition({
  kind: "group",
  family: "shopper",
  schema: Type.Object({ kind: Type.Literal("group"), groups: Type.Array(Tag, { minItems: 1, maxItems: 100 }) }, closed),
  example: { kind: "group", groups: ["trade"] },
  compile: ({ groups }) => {
    const wanted = new Set(groups);
    return leaf(
      ({ facts }) => (shopperGroups.read(facts.shopper, facts.at) ?? []).some((name) => wanted.has(name)),
      ({ facts }) => shopperGroups.read(facts.shopper, facts.at),
    );
  },
  constrains: ({ groups }) => oneOf(shopperGroups, groups),
  words: ({ groups }) => phrase("the shopper is in {list}", { list: orList(groups) }),
});
