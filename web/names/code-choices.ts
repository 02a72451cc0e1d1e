import { currencyCodes } from "../../core/money/currency.ts";

/** A code to choose, by its name. */
export type CodeChoice = { readonly value: string; readonly words: string };

const currencyNames = new Intl.DisplayNames(["en"], { type: "currency" });
const languageNames = new Intl.DisplayNames(["en"], { type: "language" });

const named = (codes: readonly string[], nameOf: (code: string) => string | undefined): CodeChoice[] =>
  codes
    .map((code) => ({ value: code, words: `${nameOf(code) ?? code} (${code})` }))
    .sort((a, b) => a.words.localeCompare(b.words, "en"));

/** Every active currency of ISO 4217 by name. */
export const CURRENCY_CHOICES: readonly CodeChoice[] = named(currencyCodes(), (code) => currencyNames.of(code));

/** Languages that shops are often written in; any other tag can be typed. */
export const LANGUAGE_CHOICES: readonly CodeChoice[] = named(
  "ar bg cs da de el en en-CA en-GB en-US es et fi fr fr-CA ga he hr hu is it ja ko lt lv mt nl nb pl pt pt-BR ro sk sl sv th tr uk vi zh".split(
    " ",
  ),
  (tag) => languageNames.of(tag),
);

/** Every time zone that the browser knows. */
export const TIME_ZONES: readonly string[] = ["UTC", ...Intl.supportedValuesOf("timeZone")];

/** Names as they are. */
export const asChoices = (names: readonly string[]): CodeChoice[] =>
  names.map((name) => ({ value: name, words: name }));
