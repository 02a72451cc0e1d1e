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
    notServed: "We do not deliver to {place}.",
    notAvailable: "Not available for this cart",
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
    notServed: "Não entregamos em {place}.",
    notAvailable: "Indisponível para este carrinho",
  },
  ja: {
    cart: "カート",
    empty: "カートは空です",
    otherGoods: "その他の商品",
    goods: "商品",
    discount: "割引",
    delivery: "{place}への配送",
    from: "{price}から",
    deliverySomewhere: "配送",
    free: "無料",
    total: "合計",
    taxIncluded: "税{tax}込み",
    notServed: "{place}へは配送していません。",
    notAvailable: "このカートでは利用できません",
  },
  ar: {
    cart: "سلة التسوق",
    empty: "السلة فارغة",
    otherGoods: "سلع أخرى",
    goods: "السلع",
    discount: "الخصم",
    delivery: "التوصيل إلى {place}",
    from: "من {price}",
    deliverySomewhere: "التوصيل",
    free: "مجاني",
    total: "المجموع",
    taxIncluded: "تشمل ضريبة {tax}",
    notServed: "لا نوصل إلى {place}.",
    notAvailable: "غير متاح لهذه السلة",
  },
} as const;

export type ShopWord = keyof (typeof WORDS)["en"];

const isSpoken = (language: string): language is keyof typeof WORDS => Object.hasOwn(WORDS, language);

export function shopWord(word: ShopWord, locale: string, values: Record<string, string> = {}): string {
  const language = locale.split("-")[0] ?? "";
  const text = isSpoken(language) ? WORDS[language][word] : WORDS.en[word];
  return text.replaceAll(/\{(\w+)\}/g, (_, name: string) => values[name] ?? "");
}
