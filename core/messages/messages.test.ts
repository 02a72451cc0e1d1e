import { readFileSync } from "node:fs";
import { IntlMessageFormat } from "intl-messageformat";
import { describe, expect, it } from "vitest";
import { formatMessage } from "./format-message.ts";
import { pickText } from "./locale.ts";

const demo: { markets: { languages: string[] }[] } = JSON.parse(
  readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"),
);
const shipped = [...new Set([...demo.markets.flatMap(({ languages }) => languages), "fr", "pl", "ru", "cy", "he"])];

describe("messages", () => {
  it.each(shipped)("in %s choose the plural category that CLDR does", (locale) => {
    // Source: CLDR, as Intl.PluralRules has it. Arabic is the language with all six categories.
    const rules = new Intl.PluralRules(locale);
    const { pluralCategories } = rules.resolvedOptions();
    const text = `{remaining, plural, ${pluralCategories.map((name) => `${name} {${name}}`).join(" ")}}`;
    const seen = new Set<string>();
    for (let count = 0; count <= 1100; count += 1) {
      const said = formatMessage({ text, locale }, () => count);
      expect(said).toBe(rules.select(count));
      seen.add(said);
    }
    if (locale.startsWith("ar")) expect(seen.size).toBe(6);
    if (locale === "ja") expect([...seen]).toEqual(["other"]);
  });

  it("say what intl-messageformat used directly says, whatever is in the values", () => {
    const text = "Ainda {remaining, plural, one {# artigo} other {# artigos}} até {goal} – {reward}";
    for (const reward of ["grátis", "<b>grátis</b>", "{goal}", "'{'", "١٢٣", "\u202e"]) {
      const values: Record<string, string | number> = { remaining: 1234, goal: "45 €", reward };
      expect(formatMessage({ text, locale: "pt-PT" }, (name) => values[name])).toBe(
        new IntlMessageFormat(text, "pt-PT", undefined, { ignoreTag: true }).format(values),
      );
    }
  });

  it("are read in the shopper's language, a wider form of it, or the market's first that has a text", () => {
    const texts = { en: "a", pt: "b", "pt-BR": "c" };
    expect(["pt-BR", "pt-PT", "en-IE", "nl"].map((locale) => pickText(texts, locale, ["ja", "pt"])?.text)).toEqual([
      "c",
      "b",
      "a",
      "b",
    ]);
    expect(pickText({}, "en", ["pt"])?.text).toBeUndefined();
  });
});
