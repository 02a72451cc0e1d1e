import { type Shown, sayValue } from "./say.ts";

type CodeOf = "region" | "language" | "currency";
const nameOf = (type: CodeOf) => (code: string) => sayValue({ code, type });

/** What a country, a language or a currency is called. @example countryName("PT") // "Portugal" */
export const countryName = nameOf("region");
export const languageName = nameOf("language");
export const currencyName = nameOf("currency");

/** Choices of languages by their tags. @example languageChoices(["pt"]) // { pt: "Portuguese" } */
export const languageChoices = (tags: readonly string[]): Record<string, Shown> =>
  Object.fromEntries(tags.map((tag) => [tag, languageName(tag)]));
