import { exponentOf } from "./currency.ts";
import { isNumeral, majorUnits } from "./decimal.ts";

export type MoneyStyle = "exact" | "short";

const formatters = new Map<string, Intl.NumberFormat>();

/**
 * Money as a shopper in `locale` reads it, with the ISO number of decimals.
 * `short` leaves decimals out where they are all zero, for goals inside sentences.
 *
 * @example formatMoney(4500, "EUR", "en", "short") // "€45"
 * @throws RangeError when the currency is not an active ISO 4217 code
 */
export const formatMoney = (minor: number, currency: string, locale: string, style: MoneyStyle = "exact"): string =>
  written(minor, currency, locale, style, "narrowSymbol");

/**
 * Money for the people who make plans, in English: dollars and pounds of several countries are told apart.
 *
 * @example makersMoney(4500, "CAD", "short") // "CA$45"
 */
export const makersMoney = (minor: number, currency: string, style: MoneyStyle = "exact"): string =>
  written(minor, currency, "en", style, "symbol");

function written(
  minor: number,
  currency: string,
  locale: string,
  style: MoneyStyle,
  currencyDisplay: "symbol" | "narrowSymbol",
): string {
  const exponent = exponentOf(currency);
  if (exponent === undefined) throw new RangeError(`${currency} is not an active currency`);
  const key = `${locale} ${currency} ${style} ${currencyDisplay}`;
  let formatter = formatters.get(key);
  if (!formatter) {
    formatter = new Intl.NumberFormat(locale, {
      style: "currency",
      currency,
      currencyDisplay,
      minimumFractionDigits: exponent,
      maximumFractionDigits: exponent,
      trailingZeroDisplay: style === "short" ? "stripIfInteger" : "auto",
    });
    formatters.set(key, formatter);
  }
  const numeral = majorUnits(minor, exponent);
  if (!isNumeral(numeral)) throw new RangeError(`${minor} is not an amount in minor units`);
  return formatter.format(numeral);
}
