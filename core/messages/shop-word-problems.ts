import { phrase } from "../phrases/phrase.ts";
import type { Problem } from "../schema/problem.ts";
import { SHOP_WORDS, type ShopWord } from "./shop-words.ts";
import { wordingProblems } from "./wording.ts";

/** What is wrong with a word: figures that nothing fills, or one that is left out. */
export function shopWordProblems(word: ShopWord, text: string, path: string): Problem[] {
  const unread = wordingProblems(text, SHOP_WORDS[word], path);
  if (unread.length > 0) return unread;
  return SHOP_WORDS[word]
    .filter((name) => !text.includes(`{${name}}`))
    .map((name) => ({ path, message: phrase("leaves out '{'{name}'}', which it is about", { name }) }));
}
