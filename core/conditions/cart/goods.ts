import { Type } from "@sinclair/typebox";
import { closed, Tag } from "../../plan/atoms.ts";
import { defineCondition } from "../definition.ts";
import type { LineFacts, Situation } from "../facts.ts";
import { orList } from "../list.ts";

const WHAT = { categories: "category", tags: "tag", skus: "SKU" } as const;
const HOW_WORDS = {
  any: "some line is",
  none: "no line is",
  only: "every line is",
  all: "there is a line for each",
} as const;

/**
 * Which goods the cart holds, by category, tag or SKU: `any` of them, `none` of them, `only` such lines (an empty cart
 * holds nothing else), or a line for `all` of them.
 */
export const goods = defineCondition({
  kind: "goods",
  family: "cart",
  schema: Type.Object(
    {
      kind: Type.Literal("goods"),
      by: Type.Union([Type.Literal("categories"), Type.Literal("tags"), Type.Literal("skus")]),
      how: Type.Union([Type.Literal("any"), Type.Literal("none"), Type.Literal("only"), Type.Literal("all")]),
      of: Type.Array(Tag, { minItems: 1, maxItems: 1000 }),
    },
    closed,
  ),
  example: { kind: "goods", by: "tags", how: "none", of: ["oversize"] },
  compile: ({ by, how, of }) => {
    const wanted = new Set(of);
    const names = (line: LineFacts) => (by === "skus" ? [line.sku] : line[by]);
    const has = (line: LineFacts) => names(line).some((name) => wanted.has(name));
    const test = ({ facts: { lines } }: Situation): boolean => {
      switch (how) {
        case "any":
          return lines.some(has);
        case "none":
          return !lines.some(has);
        case "only":
          return lines.every(has);
        case "all":
          return of.every((name) => lines.some((line) => names(line).includes(name)));
      }
    };
    return { test, thresholds: [], seesLines: true };
  },
  words: ({ by, how, of }) => `${HOW_WORDS[how]} in ${WHAT[by]} ${orList(of)}`,
});
