import { Kept } from "../phrases/kept.ts";
import type { Written } from "../phrases/phrase.ts";
import { ENGLISH, speakValue } from "../phrases/speak.ts";
import { type Exponent, exponentOf } from "./currency.ts";
import { isNumeral, majorUnits } from "./decimal.ts";

export type MoneyStyle = "exact" | "short";

/** For each language, currency and style: how it is written, and amounts that have been, which shoppers read again and again. */
const formats = new Kept<{ readonly format: Intl.NumberFormat; readonly written: Kept<string, number> }>(2000);
const MOST_AMOUNTS = 1000;

/**
 * Money as a shopper in `locale` reads it, with the ISO number of decimals.
 * `short` leaves decimals out where they are all zero, for goals inside sentences.
 *
 * @example formatMoney(4500, "EUR", "en", "short") // "€45"
 * @throws RangeError when the currency is not an active ISO 4217 code
 */
export function formatMoney(minor: number, currency: string, locale: string, style: MoneyStyle = "exact"): string {
  const { format, written } = formats.of(`${locale} ${currency} ${style}`, () => ({
    format: new Intl.NumberFormat(locale, optionsOf(currency, style, "narrowSymbol")),
    written: new Kept(MOST_AMOUNTS),
  }));
  return written.of(minor, () => format.format(numeralOf(minor, currency)));
}

/**
 * Money for the people who make plans, as each of them writes it: dollars and pounds of several countries are told apart.
 *
 * @example speakValue(writtenMoney(4500, "CAD", "short"), ENGLISH) // "CA$45"
 */
export const writtenMoney = (minor: number, currency: string, style: MoneyStyle = "exact"): Written => ({
  number: numeralOf(minor, currency),
  options: optionsOf(currency, style, "symbol"),
});

/** Money as shoppers read it, where its currency is known. @example speakValue(shoppersMoney(4500, "CAD", "short"), ENGLISH) // "$45" */
export const shoppersMoney = (minor: number, currency: string, style: MoneyStyle = "exact"): Written => ({
  number: numeralOf(minor, currency),
  options: optionsOf(currency, style, "narrowSymbol"),
});

/** The figure alone, for where the currency stands once for many. @example speakValue(bareMoney(750, "EUR"), ENGLISH) // "7.50" */
export const bareMoney = (minor: number, currency: string): Written => ({
  number: numeralOf(minor, currency),
  options: {
    minimumFractionDigits: exponentFor(currency),
    maximumFractionDigits: exponentFor(currency),
    trailingZeroDisplay: "stripIfInteger",
    useGrouping: false,
  },
});

/** Money for the people who make plans, in English. @example makersMoney(4500, "CAD", "short") // "CA$45" */
export const makersMoney = (minor: number, currency: string, style: MoneyStyle = "exact"): string =>
  speakValue(writtenMoney(minor, currency, style), ENGLISH);

function optionsOf(
  currency: string,
  style: MoneyStyle,
  currencyDisplay: "symbol" | "narrowSymbol",
): Intl.NumberFormatOptions {
  const exponent = exponentFor(currency);
  return {
    style: "currency",
    currency,
    currencyDisplay,
    minimumFractionDigits: exponent,
    maximumFractionDigits: exponent,
    trailingZeroDisplay: style === "short" ? "stripIfInteger" : "auto",
  };
}

function numeralOf(minor: number, currency: string): `${number}` {
  const numeral = majorUnits(minor, exponentFor(currency));
  if (!isNumeral(numeral)) throw new RangeError(`${minor} is not an amount in minor units`);
  return numeral;
}

function exponentFor(currency: string): Exponent {
  const exponent = exponentOf(currency);
  if (exponent === undefined) throw new RangeError(`${currency} is not an active currency`);
  return exponent;
}
