import { sayValue } from "../language/say.ts";

/** A moment by the clocks of a place. @example momentWords(Date.UTC(2026, 10, 25, 9), "Europe/Lisbon", "en-GB") // "Wed, 25 Nov, 09:00" */
export const momentWords = (at: number, timeZone: string, locale: string): string =>
  new Intl.DateTimeFormat(locale, {
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    timeZone,
  }).format(at);

/** The same with its year, for what may be far off. @example momentOfYear(at, "Europe/Lisbon") // "24 Dec 2031, 08:00" */
export const momentOfYear = (at: number, timeZone: string): string =>
  sayValue({ moment: at, options: { dateStyle: "medium", timeStyle: "short", timeZone } });

/** Days from one to another, as "2026-11-25"; one where both are the same. Days are days: no clock moves them. */
export function daysWords(earliest: string, latest: string, locale: string): string {
  const format = new Intl.DateTimeFormat(locale, { weekday: "short", day: "numeric", month: "short", timeZone: "UTC" });
  const [first, last] = [new Date(`${earliest}T00:00:00Z`), new Date(`${latest}T00:00:00Z`)];
  return earliest === latest ? format.format(first) : format.formatRange(first, last);
}

/** A stretch of hours on one day. @example windowWords(from, until, "Europe/Lisbon", "en") // "Fri, Nov 27, 9:00 AM – 12:00 PM" */
export function windowWords(from: number, until: number, timeZone: string, locale: string): string {
  const format = new Intl.DateTimeFormat(locale, {
    weekday: "short",
    month: "short",
    day: "numeric",
    hour: "numeric",
    minute: "2-digit",
    timeZone,
  });
  return format.formatRange(from, until);
}

/** A moment of the log by this computer's clock. @example momentHere("2026-11-27T02:03:38.302Z") // "27 Nov 2026, 02:03" */
export const momentHere = (at: string): string =>
  momentOfYear(Date.parse(at), Intl.DateTimeFormat().resolvedOptions().timeZone);
