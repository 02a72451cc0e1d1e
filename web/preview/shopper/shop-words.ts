import { createContext, useContext } from "react";
import type { OwnShopWords, ShopWord } from "../../../core/messages/shop-words.ts";
import { WORDS as ENGLISH, type ShopWords } from "./shop-words/en.ts";

// English is here at once; other languages are loaded when a shopper reads them.

const LANGUAGES: Readonly<Record<string, () => Promise<{ WORDS: ShopWords }>>> = {
  pt: () => import("./shop-words/pt.ts"),
  ja: () => import("./shop-words/ja.ts"),
  ar: () => import("./shop-words/ar.ts"),
  fr: () => import("./shop-words/fr.ts"),
  es: () => import("./shop-words/es.ts"),
  de: () => import("./shop-words/de.ts"),
  it: () => import("./shop-words/it.ts"),
  nl: () => import("./shop-words/nl.ts"),
};

const loaded = new Map<string, ShopWords>([["en", ENGLISH]]);
const loading = new Map<string, Promise<void>>();

const languageOf = (locale: string) => locale.split("-")[0] ?? "";

/** Whether the words a locale's shoppers read are here; English where there are none in their language. */
export const hasShopWords = (locale: string): boolean =>
  loaded.has(languageOf(locale)) || !LANGUAGES[languageOf(locale)];

/** Loads the words of a locale's language. One that fails is English until it is asked for anew. */
export function loadShopWords(locale: string): Promise<void> {
  const language = languageOf(locale);
  const known = loading.get(language);
  if (known) return known;
  const begun = (async () => {
    try {
      const words = await LANGUAGES[language]?.();
      loaded.set(language, words?.WORDS ?? ENGLISH);
    } catch {
      loading.delete(language);
      loaded.set(language, ENGLISH);
    }
  })();
  loading.set(language, begun);
  return begun;
}

/** What a shop says for a word, with what it is about. */
export type SayWord = (word: ShopWord, values?: Readonly<Record<string, string>>) => string;

/**
 * The words of a shop in one language: the store's own, else those that ship, else English.
 *
 * @example wordsIn("pt-PT", {})("from", { price: "4,90 €" }) // "desde 4,90 €"
 */
export function wordsIn(locale: string, own: OwnShopWords): SayWord {
  const language = languageOf(locale);
  const shipped = loaded.get(language) ?? ENGLISH;
  return (word, values = {}) => {
    const text = own[word]?.[locale] ?? own[word]?.[language] ?? shipped[word];
    return text.replaceAll(/\{(\w+)\}/g, (_, name: string) => values[name] ?? "");
  };
}

/** How the shop on screen says its words; set where its page stands. */
export const ShopWordsContext = createContext<SayWord>(wordsIn("en", {}));
export const useShopWords = (): SayWord => useContext(ShopWordsContext);

/** The words that ship in a language, once they are loaded. */
export const shippedWord = (word: ShopWord, locale: string): string =>
  (loaded.get(languageOf(locale)) ?? ENGLISH)[word];
