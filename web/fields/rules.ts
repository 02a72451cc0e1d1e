import { exponentOf } from "../../core/money/currency.ts";
import { canBePostcode, normalPostcode, postcodePattern } from "../../core/postcodes/postcode.ts";
import { isLocal } from "../../core/time/local.ts";
import { COUNTRIES } from "../names/place-names.ts";

// What has to hold of a text beyond the form its schema gives it: what is wrong, or null.

const TIME_ZONES = new Set(Intl.supportedValuesOf("timeZone"));

export const isCountry = (code: string): string | null =>
  COUNTRIES.some((one) => one.code === code) ? null : `${code} is no country's code`;

export const isCurrency = (code: string): string | null =>
  exponentOf(code) === undefined ? `${code} is no currency code of ISO 4217` : null;

export const isTimeZone = (name: string): string | null =>
  TIME_ZONES.has(name) || name === "UTC" ? null : "Write a time zone like Europe/Lisbon";

/** Of a day, or a day and a time. */
export const isInCalendar = (local: string): string | null =>
  isLocal(local) ? null : `${local} is no day of the calendar`;

/** @param country its code */
export const isPostcodeOf =
  (country: string) =>
  (text: string): string | null =>
    postcodePattern(country, text) ? null : `${text} is no postcode, pattern or range`;

/** One code, whole or its first part: no pattern. */
export const isOnePostcodeOf =
  (country: string) =>
  (text: string): string | null =>
    canBePostcode(country, normalPostcode(country, text)) ? null : `${text} is no postcode of ${country}`;

export const isMoreThanNothing = (figure: string): string | null => (Number(figure) > 0 ? null : "more than 0");

export const isAtMostAll = (percent: string): string | null => (Number(percent) <= 100 ? null : "100 % at most");
