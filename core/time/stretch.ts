import { phrase } from "../phrases/phrase.ts";
import { closed } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import { isDay } from "./day.ts";
import { Local, LocalDay, type LocalStretch, stretchProblems } from "./local.ts";
import { Weekdays } from "./weekdays.ts";

/**
 * How a stretch comes again, by its start, as RFC 5545 says of FREQ, INTERVAL, BYDAY of weeks, UNTIL and COUNT: a month or a year that
 * lacks the day has none. Weeks begin on Monday.
 */
const Again = Type.Object(
  {
    every: Type.Union([Type.Literal("week"), Type.Literal("month"), Type.Literal("year")]),
    interval: Type.Optional(Type.Integer({ minimum: 1, maximum: 99, description: "Every so many; 1 unless given" })),
    days: Type.Optional({
      ...Weekdays,
      description: "Of weeks: the days it starts on; that of its start unless given",
    }),
    until: Type.Optional({ ...LocalDay, description: "The last day that it may start on" }),
    times: Type.Optional(Type.Integer({ minimum: 1, maximum: 1000, description: "How often in all" })),
  },
  { ...closed, title: "Again" },
);
export type Again = Static<typeof Again>;

/** A stretch of time by the market's clocks, half-open; a day as the end is included. */
const Stretch = Type.Object(
  { from: Type.Optional(Local), until: Type.Optional(Local), again: Type.Optional(Again) },
  { ...closed, title: "Stretch" },
);
export type Stretch = Static<typeof Stretch>;

/** The times when something holds. */
export const Schedule = Type.Array(Stretch, { minItems: 1, maxItems: 100 });
export type Schedule = Static<typeof Schedule>;

/** What comes again has a start and an end; days that no calendar has. */
export function scheduleProblems(schedule: readonly Stretch[], path: string): Problem[] {
  return schedule.flatMap((stretch, i) => {
    const { from, until, again } = stretch;
    const at = `${path}/${i}`;
    const ends: LocalStretch = { ...(from ? { from } : {}), ...(until ? { until } : {}) };
    return [
      ...stretchProblems(ends, at),
      ...(again && !(from && until)
        ? [{ path: `${at}/again`, message: phrase("needs a start and an end to come again") }]
        : []),
      ...(again?.days && again.every !== "week"
        ? [{ path: `${at}/again/days`, message: phrase("are asked of weeks alone") }]
        : []),
      ...(again?.until && !isDay(again.until)
        ? [{ path: `${at}/again/until`, message: phrase("{until} is no day of the calendar", { until: again.until }) }]
        : []),
    ];
  });
}
