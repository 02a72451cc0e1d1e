/** The words around a cart and a checkout, in the languages the demo's shoppers read; English where there are none. */
const WORDS = {
  en: {
    cart: "Your cart",
    empty: "The cart is empty",
    otherGoods: "Other goods",
    goods: "Goods",
    discount: "Discount",
    delivery: "Delivery to {place}",
    from: "from {price}",
    deliverySomewhere: "Delivery",
    free: "Free",
    total: "Total",
    taxIncluded: "including {tax} tax",
    taxAdded: "of which {tax} tax",
    notServed: "We do not deliver to {place}.",
    notAvailable: "Not available for this cart",
    pay: "Place the order",
  },
  pt: {
    cart: "O seu carrinho",
    empty: "O carrinho está vazio",
    otherGoods: "Outros artigos",
    goods: "Artigos",
    discount: "Desconto",
    delivery: "Entrega em {place}",
    from: "desde {price}",
    deliverySomewhere: "Entrega",
    free: "Grátis",
    total: "Total",
    taxIncluded: "inclui {tax} de IVA",
    taxAdded: "dos quais {tax} de IVA",
    notServed: "Não entregamos em {place}.",
    notAvailable: "Indisponível para este carrinho",
    pay: "Encomendar",
  },
} as const;

export type ShopWord = keyof (typeof WORDS)["en"];

export function shopWord(word: ShopWord, locale: string, values: Record<string, string> = {}): string {
  const text = locale.split("-")[0] === "pt" ? WORDS.pt[word] : WORDS.en[word];
  return text.replaceAll(/\{(\w+)\}/g, (_, name: string) => values[name] ?? "");
}
