/**
 * The text for a shopper's language: that very locale, else its language, else the first of the market's languages that
 * has one, else any. The answer's locale says how figures within the text are written: the way of whoever the text is for.
 *
 * @example pickText({ en: "Standard", pt: "Normal" }, "pt-PT", ["en"]) // { locale: "pt-PT", text: "Normal" }
 */
export function pickText<T = string>(
  texts: Readonly<Record<string, T>>,
  locale: string,
  fallbacks: readonly string[],
): { locale: string; text: T } | undefined {
  const own = textIn(texts, locale);
  if (own !== undefined) return { locale, text: own };
  for (const tag of fallbacks) {
    const text = textIn(texts, tag);
    if (text !== undefined) return { locale: tag, text };
  }
  for (const tag of Object.keys(texts).sort()) {
    const text = texts[tag];
    if (text !== undefined) return { locale: tag, text };
  }
  return undefined;
}

const textIn = <T>(texts: Readonly<Record<string, T>>, tag: string): T | undefined =>
  texts[tag] ?? texts[languageOf(tag)];

const languageOf = (locale: string) => locale.split("-")[0] ?? locale;
