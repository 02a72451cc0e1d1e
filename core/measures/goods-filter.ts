import { andList, type PhraseValue, phrase } from "../phrases/phrase.ts";
import { closed, Tag } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";

/** Goods that do not count, or do not profit: lines in any of these. */
export const LeavesOut = Type.Object(
  {
    categories: Type.Optional(Type.Array(Tag, { maxItems: 100 })),
    tags: Type.Optional(Type.Array(Tag, { maxItems: 100 })),
    skus: Type.Optional(Type.Array(Tag, { maxItems: 1000 })),
  },
  { ...closed, title: "LeavesOut", description: "Lines in any of these do not count" },
);
export type LeavesOut = Static<typeof LeavesOut>;

type Named = { readonly sku: string; readonly categories: readonly string[]; readonly tags: readonly string[] };
export type GoodsFilter = (line: Named) => boolean;

const everything: GoodsFilter = () => true;

/** Whether a line counts, as far as what is left out goes. */
export function goodsFilter(leavesOut: LeavesOut | undefined): GoodsFilter {
  const categories = new Set(leavesOut?.categories);
  const tags = new Set(leavesOut?.tags);
  const skus = new Set(leavesOut?.skus);
  if (categories.size + tags.size + skus.size === 0) return everything;
  return (line) => !skus.has(line.sku) && !anyIn(categories, line.categories) && !anyIn(tags, line.tags);
}

/** Whether any of some names is among others: every line of every cart is asked. @example anyIn(new Set(["ink"]), ["pens", "ink"]) // true */
export function anyIn(wanted: ReadonlySet<string>, names: readonly string[]): boolean {
  for (const name of names) if (wanted.has(name)) return true;
  return false;
}

/** The same for filters that mean the same. */
export function leavesOutKey(leavesOut: LeavesOut | undefined): string {
  const sorted = (list: readonly string[] | undefined) => [...new Set(list ?? [])].sort();
  return JSON.stringify([sorted(leavesOut?.categories), sorted(leavesOut?.tags), sorted(leavesOut?.skus)]);
}

/** @example ", leaving out gift-cards" */
export function leavesOutWords(leavesOut: LeavesOut | undefined): PhraseValue {
  const names = [...(leavesOut?.categories ?? []), ...(leavesOut?.tags ?? []), ...(leavesOut?.skus ?? [])];
  return names.length > 0 ? phrase(", leaving out {names}", { names: andList(names) }) : "";
}
