import type { ReadLine } from "../../cart/read-cart.ts";
import { cartLines } from "../../facts/cart/goods.ts";
import { anyIn } from "../../measures/goods-filter.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed, Tag } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import type { Situation } from "../../situation/situation.ts";
import { NO_NEED, type WantedLine } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

const WHAT = {
  categories: phrase("category"),
  tags: phrase("tag"),
  skus: phrase("SKU"),
  "parcel-classes": phrase("parcel class"),
} as const;
const HOW_WORDS = {
  any: phrase("some line is"),
  none: phrase("no line is"),
  only: phrase("every line is"),
  all: phrase("there is a line for each"),
} as const;

/**
 * Which goods the cart holds, by category, tag, SKU or parcel class: `any` of them, `none` of them, `only` such lines
 * (an empty cart holds nothing else), or a line for `all` of them.
 */
export const goods = defineCondition({
  kind: "goods",
  family: "cart",
  schema: Type.Object(
    {
      kind: Type.Literal("goods"),
      by: Type.Union((["categories", "tags", "skus", "parcel-classes"] as const).map((name) => Type.Literal(name))),
      how: Type.Union((["any", "none", "only", "all"] as const).map((name) => Type.Literal(name))),
      of: Type.Array(Tag, { minItems: 1, maxItems: 1000 }),
    },
    closed,
  ),
  example: { kind: "goods", by: "tags", how: "none", of: ["oversize"] },
  compile: ({ by, how, of }) => {
    const wanted = new Set(of);
    const names = namesBy(by);
    const has = (line: ReadLine) => anyIn(wanted, names(line));
    const test = ({ lines }: Situation): boolean => {
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
    return leaf(test, ({ lines }) => [...new Set(lines.flatMap(names))], "lines");
  },
  constrains: ({ by, how, of }) => {
    const labelled =
      (names: readonly string[]): WantedLine =>
      (wanted) => ({ ...NO_NEED, labels: [{ kind: by, in: names, wanted }] });
    return {
      fact: cartLines,
      within:
        how === "all"
          ? { kind: "line-for-each", needs: of.map((name) => labelled([name])) }
          : { kind: "lines", how, need: labelled(of) },
    };
  },
  words: ({ by, how, of }) =>
    phrase("{some} in {kind} {names}", { some: HOW_WORDS[how], kind: WHAT[by], names: orList(of) }),
});

function namesBy(by: keyof typeof WHAT): (line: ReadLine) => readonly string[] {
  switch (by) {
    case "categories":
      return (line) => line.categories;
    case "tags":
      return (line) => line.tags;
    case "skus":
      return (line) => [line.sku];
    case "parcel-classes":
      return (line) => (line.parcelClass === null ? [] : [line.parcelClass]);
  }
}
