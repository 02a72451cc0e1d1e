import type { ReadLine } from "../cart/read-cart.ts";
import { Amount, type AmountContext, type AmountReferences, amountFor, amountProblems } from "../money/amount.ts";
import { writtenMoney } from "../money/format.ts";
import { joined, orList, type Phrase, type PhraseValue, phrase } from "../phrases/phrase.ts";
import { ByLocale, closed, Tag } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import { anyIn } from "./goods-filter.ts";

const picked = {
  categories: Type.Optional(Type.Array(Tag, { maxItems: 100 })),
  tags: Type.Optional(Type.Array(Tag, { maxItems: 100 })),
  skus: Type.Optional(Type.Array(Tag, { maxItems: 1000 })),
  condition: Type.Optional(Type.Union([Type.Literal("used"), Type.Literal("new")])),
};
const named = {
  ...picked,
  name: Type.Optional({ ...ByLocale, description: "What texts call them: {goods}" }),
};
const price = Type.Optional(
  Type.Object(
    { from: Type.Optional(Amount), upTo: Type.Optional(Amount) },
    { ...closed, title: "PriceEach", description: "What one piece costs, both ends included" },
  ),
);

/** The goods that alone count: lines in any of these, used or new where it says so. */
export const OnlyGoods = Type.Object(named, { ...closed, title: "OnlyGoods" });
export type OnlyGoods = Static<typeof OnlyGoods>;

/** The same, and by what one piece costs. */
export const OnlyPieces = Type.Object({ ...named, price }, { ...closed, title: "OnlyPieces" });
export type OnlyPieces = Static<typeof OnlyPieces>;

/** The goods on whose share a reward is given. */
export const ShareGoods = Type.Object({ ...picked, price }, { ...closed, title: "ShareGoods" });

/** Goods picked out of a cart; `key` is the same for those that mean the same. */
export type PickedGoods = {
  readonly key: string;
  readonly has: (line: Pick<ReadLine, "sku" | "categories" | "tags" | "used" | "unitPrice">) => boolean;
  /** Prices of a piece, in minor units, from which on it is among them, or is not any more. */
  readonly turns: readonly number[];
};

/** Undefined where a price has no amount. */
export function pickGoods(only: OnlyPieces, context: AmountContext): PickedGoods | undefined {
  const [from, upTo] = [only.price?.from, only.price?.upTo].map((end) => (end ? amountFor(end, context) : null));
  if (from === undefined || upTo === undefined) return undefined;
  const [categories, tags, skus] = [new Set(only.categories), new Set(only.tags), new Set(only.skus)];
  const anyName = categories.size + tags.size + skus.size === 0;
  return {
    key: onlyKey(only),
    turns: [...(from === null ? [] : [from]), ...(upTo === null ? [] : [upTo + 1])],
    has: (line) =>
      (anyName || skus.has(line.sku) || anyIn(categories, line.categories) || anyIn(tags, line.tags)) &&
      (only.condition === undefined || line.used === (only.condition === "used")) &&
      (from === null || line.unitPrice >= from) &&
      (upTo === null || line.unitPrice <= upTo),
  };
}

/** The same text for those that mean the same, whatever they are called. */
export function onlyKey({ name: _, ...only }: OnlyPieces): string {
  const sorted = (list: readonly string[] | undefined) => [...new Set(list)].sort();
  return JSON.stringify([sorted(only.categories), sorted(only.tags), sorted(only.skus), only.condition, only.price]);
}

/** What a line of such goods looks like, as far as they say: what a shopper could add to reach a goal that counts only them. */
export type GoodsLike = Pick<ReadLine, "categories" | "tags" | "used" | "unitPrice"> & { readonly sku?: string };

export function goodsLike(only: OnlyPieces, context: AmountContext): GoodsLike {
  const [category, tag, sku] = [only.categories?.[0], only.tags?.[0], only.skus?.[0]];
  const unitPrice = only.price?.from ? (amountFor(only.price.from, context) ?? 0) : 0;
  const like = { categories: [], tags: [], used: only.condition === "used", unitPrice };
  if (category !== undefined) return { ...like, categories: [category] };
  if (tag !== undefined) return { ...like, tags: [tag] };
  return sku === undefined ? like : { ...like, sku };
}

/** The categories, tags and SKUs it goes by. */
export const namesIn = ({ categories = [], tags = [], skus = [] }: OnlyPieces) => [...categories, ...tags, ...skus];

/** Null where all goods count. @example "of notebooks or paper, used, from €10 up to €50 each" */
export function onlyWords(only: OnlyPieces | undefined, context: AmountContext): Phrase | null {
  if (!only) return null;
  const names = namesIn(only);
  const shown = names.length > 3 ? [...names.slice(0, 3), phrase("{count} more", { count: names.length - 3 })] : names;
  const { condition } = only;
  const state = condition === "used" ? phrase("used") : condition === "new" ? phrase("new") : "";
  const words = [
    names.length > 0 ? phrase("of {names}", { names: orList(shown) }) : "",
    state !== "" && names.length === 0 ? phrase("of goods that are {state}", { state }) : state,
    priceWords(only, context),
  ].filter((part) => part !== "");
  return words.length > 0 ? joined(words, ", ") : null;
}

function priceWords({ price: { from, upTo } = {} }: OnlyPieces, context: AmountContext): PhraseValue {
  const money = (amount: Amount): PhraseValue => {
    const minor = amountFor(amount, context);
    return minor === undefined
      ? phrase("(no amount in {currency})", { currency: context.currency })
      : writtenMoney(minor, context.currency);
  };
  if (from && upTo) return phrase("from {least} to {most} each", { least: money(from), most: money(upTo) });
  if (from) return phrase("from {least} each", { least: money(from) });
  return upTo ? phrase("up to {most} each", { most: money(upTo) }) : "";
}

export const onlyProblems = (only: OnlyPieces | undefined, path: string, references: AmountReferences): Problem[] =>
  (["from", "upTo"] as const).flatMap((end) => {
    const amount = only?.price?.[end];
    return amount ? amountProblems(amount, `${path}/price/${end}`, references) : [];
  });
