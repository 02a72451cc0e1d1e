import { isDay } from "./day.ts";

/**
 * The moment of an RFC 3339 text, in milliseconds of UTC; NaN when it is none, or when the calendar has no such day. Clocks here
 * know no leap seconds: one is read as the second before it.
 *
 * @example instantOf("2016-12-31T23:59:60Z") === instantOf("2016-12-31T23:59:59Z")
 */
export function instantOf(text: string): number {
  if (text === last.text) return last.at;
  const at = parsed(text);
  last = { text, at };
  return at;
}

function parsed(text: string): number {
  // Dates are taken to go on past the end of a month: the 30th of February for the 2nd of March.
  if (text.slice(8, 10) > "28" && !isDay(text.slice(0, 10))) return Number.NaN;
  const at = Date.parse(text);
  return Number.isNaN(at) ? Date.parse(text.replace(/(T\d{2}:\d{2}):60/i, "$1:59")) : at;
}

/** The moment of a request is asked for several times over. */
let last: { readonly text: string; readonly at: number } = { text: "", at: Number.NaN };

/** A moment in milliseconds of UTC, in RFC 3339. @example isoOf(Date.UTC(2026, 10, 28)) // "2026-11-28T00:00:00.000Z" */
export const isoOf = (at: number): string => new Date(at).toISOString();

/** A day of 24 hours, in milliseconds. */
export const DAY = 86_400_000;

/** Whole days of 24 hours from a moment in RFC 3339 to one in milliseconds of UTC. @example daysSince("2026-11-23T00:00:00Z", Date.UTC(2026, 10, 24)) // 1 */
export const daysSince = (text: string, at: number): number => Math.floor((at - instantOf(text)) / DAY);

/** The moment so many days of 24 hours before another, in RFC 3339. */
export const daysBefore = (days: number, at: number): string => isoOf(at - days * DAY);

/** Noon in UTC of a day: within that day by the clocks of most. @example noonOf("2026-11-24") // "2026-11-24T12:00:00Z" */
export const noonOf = (day: string): string => `${day}T12:00:00Z`;
