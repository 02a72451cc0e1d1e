import { phrase } from "../phrases/phrase.ts";
import type { Problem } from "../schema/problem.ts";
import { Type } from "../schema/type.ts";
import { isDay } from "./day.ts";
import { momentOf, nextDay } from "./zone-clock.ts";

/** A local time as plans write it. */
export const Local = Type.String({
  title: "A day, or a day and a time",
  pattern: "^[0-9]{4}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])(T([01][0-9]|2[0-3]):[0-5][0-9])?$",
  description: "A day or a moment, YYYY-MM-DD or YYYY-MM-DDTHH:MM, by the clocks of the market",
  examples: ["2026-11-27", "2026-11-27T09:00"],
});

/** A day as plans write it. */
export const LocalDay = Type.String({
  title: "A day",
  pattern: "^[0-9]{4}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])$",
  description: "A day, YYYY-MM-DD",
  examples: ["2026-12-24"],
});

/** @example isLocal("2026-11-27T09:00") // true */
export const isLocal = (text: string): boolean =>
  new RegExp(Local.pattern ?? "").test(text) && isDay(text.slice(0, 10));

export type LocalStretch = { from?: string; until?: string };

/** The UTC interval of a stretch of local time, in milliseconds, half-open; a day as the end is included. */
export function interval({ from, until }: LocalStretch, timeZone: string): [number, number] {
  const start = from === undefined ? Number.NEGATIVE_INFINITY : momentOf(from, timeZone, "start");
  if (until === undefined) return [start, Number.POSITIVE_INFINITY];
  return [start, until.length === 10 ? momentOf(nextDay(until), timeZone, "start") : momentOf(until, timeZone, "end")];
}

/** Days that no calendar has. */
export function stretchProblems({ from, until }: LocalStretch, path: string): Problem[] {
  return [from, until].flatMap((local, i) => {
    const day = local?.slice(0, 10);
    return day === undefined || isDay(day)
      ? []
      : [
          {
            path: `${path}/${i === 0 ? "from" : "until"}`,
            message: phrase("{day} is no day of the calendar", { day }),
          },
        ];
  });
}
