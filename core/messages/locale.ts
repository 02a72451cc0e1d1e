/**
 * The text for a shopper's language: that very locale, else its language, else the first of the market's languages that
 * has one, else any.
 *
 * @example pickText({ en: "Standard", pt: "Normal" }, "pt-BR", ["en"]) // { locale: "pt", text: "Normal" }
 */
export function pickText(
  texts: Readonly<Record<string, string>>,
  locale: string,
  fallbacks: readonly string[],
): { locale: string; text: string } | undefined {
  const language = locale.split("-")[0] ?? locale;
  for (const candidate of [locale, language, ...fallbacks, ...Object.keys(texts).sort()]) {
    const text = texts[candidate];
    if (text !== undefined) return { locale: candidate, text };
  }
  return undefined;
}
