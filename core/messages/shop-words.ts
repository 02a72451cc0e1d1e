import { ByLocale, closed } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";

/** The words around a cart and a checkout, with what each is about, written in braces. */
export const SHOP_WORDS = {
  free: [],
  freeSomewhere: [],
  from: ["price"],
  arrives: ["when"],
  ready: ["when"],
  asks: ["what"],
  phone: [],
  "entry-code": [],
  "delivery-window": [],
  notAvailable: [],
  notServed: ["place"],
  delivery: ["place"],
  deliverySomewhere: [],
  goods: [],
  otherGoods: [],
  discount: [],
  total: [],
  taxIncluded: ["tax"],
  cart: [],
  empty: [],
  code: [],
  useCode: [],
  dropCode: ["code"],
  close: [],
} as const satisfies Readonly<Record<string, readonly string[]>>;

export type ShopWord = keyof typeof SHOP_WORDS;

export const SHOP_WORD_NAMES = Object.keys(SHOP_WORDS).filter((name): name is ShopWord => name in SHOP_WORDS);

/** A store's own words by language, in place of those that ship. Their names are a pattern: one validator does for all of them. */
export const OwnShopWords = Type.Unsafe<{ [Word in ShopWord]?: Static<typeof ByLocale> }>(
  Type.Record(Type.String({ pattern: `^(${SHOP_WORD_NAMES.join("|")})$` }), ByLocale, {
    ...closed,
    title: "OwnShopWords",
    description: "Words around the cart that the store says otherwise",
  }),
);
export type OwnShopWords = Static<typeof OwnShopWords>;
