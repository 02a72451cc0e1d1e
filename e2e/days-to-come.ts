import Holidays from "date-holidays";
import { dayOf } from "../core/time/day.ts";
import { DAY } from "../core/time/instant.ts";

/** Days as ISO 8601 writes them, so that journeys hold in any year. @example daysAfter("2027-03-28", 1) // "2027-03-29" */
export const daysAfter = (day: string, days: number): string => dayOf(Date.parse(day) + days * DAY);

/** In the words of a locale. @example dayWords("2026-12-02", "en-US") // "Wed, Dec 2" */
export const dayWords = (day: string, locale: string, more: Intl.DateTimeFormatOptions = {}): string =>
  new Intl.DateTimeFormat(locale, {
    ...{ weekday: "short", month: "short", day: "numeric", timeZone: "UTC" },
    ...more,
  }).format(new Date(day));

/** The Sunday of next year on which clocks go forward in the Union: the last of March (directive 2000/84/EC). */
export function clocksForward(): string {
  const last = `${new Date().getUTCFullYear() + 1}-03-31`;
  return daysAfter(last, -new Date(last).getUTCDay());
}

/** The next public holiday of Portugal on a Tuesday with no other from the day before to six days after, by date-holidays. */
export function holidayOnTuesday(): string {
  const year = new Date().getUTCFullYear();
  const table = new Holidays("PT", { types: ["public"] });
  const days = [0, 1, 2].flatMap((ahead) => table.getHolidays(year + ahead).map(({ date }) => date.slice(0, 10)));
  const stands = (day: string) => [-1, 1, 2, 3, 4, 5, 6].every((more) => !days.includes(daysAfter(day, more)));
  const found = days.find((day) => day > dayOf(Date.now()) && new Date(day).getUTCDay() === 2 && stands(day));
  if (!found) throw new Error("no holiday on a Tuesday in three years");
  return found;
}
