import { describe, expect, it } from "vitest";
import { HOUSE_LANGUAGES } from "../../../core/messages/house-texts.ts";
import type { ShopWord } from "./shop-words/en.ts";
import { loadShopWords, shopWord } from "./shop-words.ts";

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
        shopWord(word, language, { price: "¤", when: "¤", what: "¤", place: "¤", code: "¤" }),
      );
      for (const text of said) expect(text).not.toMatch(/[{}]/);
      const filled = ["free", "freeSomewhere"].includes(word) ? 0 : HOUSE_LANGUAGES.length;
      expect(said.filter((text) => text.includes("¤"))).toHaveLength(filled);
      // No language falls back to another's words, but where they are spelt alike.
      expect(new Set(said).size).toBeGreaterThanOrEqual(HOUSE_LANGUAGES.length - 3);
    }
    expect(shopWord("free", "xx")).toBe("Free");
  });
});
