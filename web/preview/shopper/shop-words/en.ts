import type { ShopWord } from "../../../../core/messages/shop-words.ts";

export type ShopWords = Readonly<Record<ShopWord, string>>;

/** The words around a cart and a checkout, in English. */
export const WORDS: ShopWords = {
  cart: "Your cart",
  empty: "The cart is empty",
  otherGoods: "Other goods",
  goods: "Goods",
  discount: "Discount",
  delivery: "Delivery to {place}",
  from: "from {price}",
  deliverySomewhere: "Delivery",
  free: "Free",
  freeSomewhere: "Free in some places",
  total: "Total",
  taxIncluded: "including {tax} tax",
  notServed: "We do not deliver to {place}.",
  notAvailable: "Not available for this cart",
  arrives: "Arrives {when}",
  ready: "Ready {when}",
  asks: "Asks for: {what}",
  phone: "phone number",
  "entry-code": "entry code",
  "delivery-window": "delivery window",
  code: "Code",
  useCode: "Use it",
  close: "Close",
  dropCode: "Take {code} away",
};
