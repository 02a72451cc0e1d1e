import { exponentOf } from "../../core/money/currency.ts";
import { canBePostcode, normalPostcode, postcodePattern } from "../../core/postcodes/postcode.ts";
import { isLocal } from "../../core/time/local.ts";
import { say } from "../language/say.ts";
import { countries } from "../names/place-names.ts";

// What has to hold of a text beyond the form its schema gives it: what is wrong, or null.

const TIME_ZONES = new Set(Intl.supportedValuesOf("timeZone"));

export const isCountry = (code: string): string | null =>
  countries().some((one) => one.code === code) ? null : say("{code} is no country's code", { code });

export const isCurrency = (code: string): string | null =>
  exponentOf(code) === undefined ? say("{code} is no currency code of ISO 4217", { code }) : null;

export const isTimeZone = (name: string): string | null =>
  TIME_ZONES.has(name) || name === "UTC" ? null : say("Write a time zone like Europe/Lisbon");

/** Of a day, or a day and a time. */
export const isInCalendar = (local: string): string | null =>
  isLocal(local) ? null : say("{local} is no day of the calendar", { local });

/** @param country its code */
export const isPostcodeOf =
  (country: string) =>
  (text: string): string | null =>
    postcodePattern(country, text) ? null : say("{text} is no postcode, pattern or range", { text });

/** One code, whole or its first part: no pattern. */
export const isOnePostcodeOf =
  (country: string) =>
  (text: string): string | null =>
    canBePostcode(country, normalPostcode(country, text))
      ? null
      : say("{text} is no postcode of {country}", { text, country });

export const isMoreThanNothing = (figure: string): string | null => (Number(figure) > 0 ? null : say("more than 0"));

export const isAtMostAll = (percent: string): string | null => (Number(percent) <= 100 ? null : say("100 % at most"));
