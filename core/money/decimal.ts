import { type Exponent, exponentOf } from "./currency.ts";
import { divide, fraction, type Rational, whole } from "./rational.ts";

/** A plain decimal numeral: optional minus, digits, optional fraction. No exponent, no separators, no spaces. */
const DECIMAL = /^(-?)(\d{1,15})(?:\.(\d{1,12}))?$/;

const SHORT_WHOLE = /^\d{1,15}$/;

/**
 * Reads a decimal string exactly, or returns undefined when it is not one.
 *
 * @example decimal("0.45359237") // { n: 45359237, d: 100000000 }
 */
export function decimal(text: string): Rational | undefined {
  // Most numerals are short and whole.
  if (SHORT_WHOLE.test(text)) return whole(Number(text));
  const match = DECIMAL.exec(text);
  if (!match) return undefined;
  const [, sign = "", digits = "", decimals = ""] = match;
  const figures = `${sign}${digits}${decimals}`;
  return fraction(figures.length <= 15 ? Number(figures) : BigInt(figures), 10 ** decimals.length);
}

/** Whether a decimal numeral is zero. @example isNothing("0.00") // true */
export const isNothing = (text: string): boolean => !/[1-9]/.test(text);

const HUNDRED = whole(100);

/** A percent as an exact fraction: "23" is 23/100. Undefined when it is not a decimal string. */
export function percent(text: string): Rational | undefined {
  const value = decimal(text);
  return value && divide(value, HUNDRED);
}

export type MinorUnits = { minor: number } | { problem: "not-a-decimal" | "too-many-decimals" | "too-large" };

/**
 * Turns a typed amount in major units into minor units, exactly.
 *
 * @example minorUnits("45.00", 2) // { minor: 4500 }
 * @example minorUnits("45.005", 2) // { problem: "too-many-decimals" }
 */
export function minorUnits(text: string, exponent: Exponent): MinorUnits {
  const match = DECIMAL.exec(text);
  if (!match) return { problem: "not-a-decimal" };
  const [, sign = "", digits = "", decimals = ""] = match;
  // Zeros count too: who writes "1.000" for euro may mean a thousand.
  if (decimals.length > exponent) return { problem: "too-many-decimals" };
  const magnitude = Number(`${digits}${decimals.padEnd(exponent, "0")}`);
  if (!Number.isSafeInteger(magnitude)) return { problem: "too-large" };
  return { minor: sign === "-" ? 0 - magnitude : magnitude };
}

/**
 * Writes minor units as a decimal string in major units with all the currency's digits.
 *
 * @example majorUnits(4500, 2) // "45.00"
 */
export function majorUnits(minor: number, exponent: Exponent): string {
  const digits = String(Math.abs(minor)).padStart(exponent + 1, "0");
  const cut = digits.length - exponent;
  const text = exponent === 0 ? digits : `${digits.slice(0, cut)}.${digits.slice(cut)}`;
  return minor < 0 ? `-${text}` : text;
}

/** The same of a currency; two decimals where it is none. @example majorIn(4500, "JPY") // "4500" */
export const majorIn = (minor: number, currency: string): string => majorUnits(minor, exponentOf(currency) ?? 2);

/** Tells the compiler what {@link majorUnits} makes: a numeral that Intl formats exactly, without binary floats. */
export function isNumeral(text: string): text is `${number}` {
  return DECIMAL.test(text);
}
