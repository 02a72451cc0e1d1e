/** What can stand for a name in a phrase: as it is, another phrase, or what each language writes in its own way. */
export type PhraseValue = string | number | Phrase | Written;

/**
 * A sentence of the app, or a part of one, as data: an ICU message in English, which is its name in the catalogues of other languages,
 * and what stands in it. Core makes phrases and never speaks them; whoever has a reader does.
 */
export type Phrase = { readonly message: string; readonly values?: Readonly<Record<string, PhraseValue>> };

/** What is written by the rules of the reader's language. */
export type Written =
  /** A decimal numeral. */
  | { readonly number: number | `${number}`; readonly options: Intl.NumberFormatOptions }
  /** Milliseconds since 1970, or a day as "2026-11-27". */
  | { readonly moment: number | string; readonly options: Intl.DateTimeFormatOptions }
  | { readonly list: readonly PhraseValue[]; readonly type: "conjunction" | "disjunction" }
  /** Of a country, a language or a currency, by its code. */
  | { readonly code: string; readonly type: "region" | "language" | "currency" };

/** @example phrase("asks for {count, plural, one {# item} other {# items}}", { count: 3 }) */
export const phrase = (message: string, values?: Phrase["values"]): Phrase =>
  values === undefined ? { message } : { message, values };

/** Words that are nobody's to translate, such as a name somebody gave. @example asWritten("Autumn sale") */
export const asWritten = (words: string): Phrase => phrase("{words}", { words });

export const andList = (list: readonly PhraseValue[]): Written => ({ list, type: "conjunction" });
export const orList = (list: readonly PhraseValue[]): Written => ({ list, type: "disjunction" });

/** Phrases one after the other; empty ones are left out. @param by what stands between them */
export function joined(parts: readonly PhraseValue[], by: string | Phrase = " "): Phrase {
  const shown = parts.filter((part) => part !== "");
  const values = Object.fromEntries(shown.map((part, i) => [`part${i}`, part]));
  const names = Object.keys(values).map((name) => `{${name}}`);
  return phrase(names.join("{by}"), names.length > 1 ? { ...values, by } : values);
}
