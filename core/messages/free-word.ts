import { pickText } from "./locale.ts";
import type { OwnShopWords } from "./shop-words.ts";

/** What is given where nothing is charged, within a sentence. By language, without its regions. */
const FREE: Readonly<Record<string, string>> = {
  en: "free delivery",
  pt: "entrega grátis",
  fr: "livraison gratuite",
  es: "envío gratis",
  de: "kostenlose Lieferung",
  it: "consegna gratuita",
  nl: "gratis bezorging",
  ja: "送料無料",
  ar: "توصيل مجاني",
};

/**
 * "free delivery" as a reward in a sentence; in a language that none ships in the store's own word for "Free".
 *
 * @example freeWord("pt-PT", undefined, []) // "entrega grátis"
 */
export function freeWord(locale: string, own: OwnShopWords | undefined, languages: readonly string[]): string {
  const shipped = FREE[locale.split("-")[0] ?? ""];
  return shipped ?? (own?.free && pickText(own.free, locale, languages)?.text) ?? FREE.en ?? "";
}
