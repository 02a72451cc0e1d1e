import { describe, expect, it } from "vitest";
import { HOUSE_LANGUAGES } from "../../../core/messages/house-texts.ts";
import { shopWordProblems } from "../../../core/messages/shop-word-problems.ts";
import { SHOP_WORD_NAMES, SHOP_WORDS, type ShopWord } from "../../../core/messages/shop-words.ts";
import { loadShopWords, shippedWord, wordsIn } from "./shop-words.ts";

const WORDS: readonly ShopWord[] = [
  "free",
  "freeSomewhere",
  "from",
  "ready",
  "arrives",
  "asks",
  "notServed",
  "dropCode",
];

describe("the words of a shop", () => {
  it("are there in every language that texts are shipped in, and fill in what they are about", async () => {
    await Promise.all(HOUSE_LANGUAGES.map(loadShopWords));
    for (const word of WORDS) {
      const said = HOUSE_LANGUAGES.map((language) =>
        wordsIn(language, {})(word, { price: "¤", when: "¤", what: "¤", place: "¤", code: "¤" }),
      );
      for (const text of said) expect(text).not.toMatch(/[{}]/);
      const filled = ["free", "freeSomewhere"].includes(word) ? 0 : HOUSE_LANGUAGES.length;
      expect(said.filter((text) => text.includes("¤"))).toHaveLength(filled);
      // No language falls back to another's words, but where they are spelt alike.
      expect(new Set(said).size).toBeGreaterThanOrEqual(HOUSE_LANGUAGES.length - 3);
    }
    expect(wordsIn("xx", {})("free")).toBe("Free");
  });

  it("are about what they shall be in every language, and the store's own stand in their place", async () => {
    await Promise.all(HOUSE_LANGUAGES.map(loadShopWords));
    for (const language of HOUSE_LANGUAGES)
      for (const word of SHOP_WORD_NAMES) expect(shopWordProblems(word, shippedWord(word, language), "")).toEqual([]);
    const own = { free: { pt: "Oferta", pl: "Gratis" }, from: { pt: "a partir de {price}" } };
    expect(wordsIn("pt-PT", own)("free")).toBe("Oferta");
    expect(wordsIn("pl", own)("free")).toBe("Gratis");
    expect(wordsIn("pt", own)("from", { price: "4,90 €" })).toBe("a partir de 4,90 €");
    expect(wordsIn("fr", own)("free")).toBe("Gratuit");
    expect(shopWordProblems("from", "cheap", "").length).toBe(SHOP_WORDS.from.length);
    expect(shopWordProblems("free", "{price}", "")).toHaveLength(1);
  });
});
