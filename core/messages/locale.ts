/**
 * The text for a shopper's language: that very locale, else its language, else the first of the market's languages that
 * has one, else any. The answer's locale says how figures within the text are written: the shopper's own way where the
 * text is in their language.
 *
 * @example pickText({ en: "Standard", pt: "Normal" }, "pt-PT", ["en"]) // { locale: "pt-PT", text: "Normal" }
 */
export function pickText(
  texts: Readonly<Record<string, string>>,
  locale: string,
  fallbacks: readonly string[],
): { locale: string; text: string } | undefined {
  const own = [locale, languageOf(locale)];
  const others = fallbacks.flatMap((tag) => [tag, languageOf(tag)]);
  for (const candidate of [...own, ...others, ...Object.keys(texts).sort()]) {
    const text = texts[candidate];
    if (text !== undefined) return { locale: own.includes(candidate) ? locale : candidate, text };
  }
  return undefined;
}

const languageOf = (locale: string) => locale.split("-")[0] ?? locale;
