import { currencyCodes } from "../../core/money/currency.ts";
import { byReader } from "../language/by-reader.ts";
import { currencyName, languageName } from "../language/codes.ts";
import { theReader } from "../language/say.ts";

/** A code to choose, by its name. */
export type CodeChoice = { readonly value: string; readonly words: string };

const named = (codes: readonly string[], nameOf: (code: string) => string): CodeChoice[] =>
  codes
    .map((code) => ({ value: code, words: `${nameOf(code)} (${code})` }))
    .sort((a, b) => a.words.localeCompare(b.words, theReader().locale));

/** Every active currency of ISO 4217 by name. */
export const currencyChoices = byReader(() => named(currencyCodes(), currencyName));

/** Languages that shops are often written in; any other tag can be typed. */
export const languageChoicesOfAll = byReader(() =>
  named(
    "ar bg cs da de el en en-CA en-GB en-US es et fi fr fr-CA ga he hr hu is it ja ko lt lv mt nl nb pl pt pt-BR ro sk sl sv th tr uk vi zh".split(
      " ",
    ),
    languageName,
  ),
);

/** Every time zone that the browser knows. */
export const TIME_ZONES: readonly string[] = ["UTC", ...Intl.supportedValuesOf("timeZone")];

/** Names as they are. */
export const asChoices = (names: readonly string[]): CodeChoice[] =>
  names.map((name) => ({ value: name, words: name }));
