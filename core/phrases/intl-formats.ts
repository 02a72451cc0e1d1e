import { Kept } from "./kept.ts";

/** Making a format costs a hundred times what using it does, so each is made once for a language. */
const MOST_FORMATS = 2000;
const numbers = new Kept<Intl.NumberFormat>(MOST_FORMATS);
const moments = new Kept<Intl.DateTimeFormat>(MOST_FORMATS);
const plurals = new Kept<Intl.PluralRules>(MOST_FORMATS);
const lists = new Kept<Intl.ListFormat>(MOST_FORMATS);
const names = new Kept<Intl.DisplayNames>(MOST_FORMATS);

const keyOf = (locale: string, options: object | undefined) =>
  options ? `${locale} ${JSON.stringify(options)}` : locale;

/** @example numberFormat("pt", { style: "percent" }).format(0.5) // "50%" */
export const numberFormat = (locale: string, options?: Intl.NumberFormatOptions): Intl.NumberFormat =>
  numbers.of(keyOf(locale, options), () => new Intl.NumberFormat(locale, options));

export const momentFormat = (locale: string, options?: Intl.DateTimeFormatOptions): Intl.DateTimeFormat =>
  moments.of(keyOf(locale, options), () => new Intl.DateTimeFormat(locale, options));

export const pluralRules = (locale: string, type: Intl.PluralRuleType): Intl.PluralRules =>
  plurals.of(`${locale} ${type}`, () => new Intl.PluralRules(locale, { type }));

export const listFormat = (locale: string, type: Intl.ListFormatType): Intl.ListFormat =>
  lists.of(`${locale} ${type}`, () => new Intl.ListFormat(locale, { type }));

export const displayNames = (locale: string, type: Intl.DisplayNamesType): Intl.DisplayNames =>
  names.of(`${locale} ${type}`, () => new Intl.DisplayNames([locale], { type }));
