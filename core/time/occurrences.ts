import { andList, joined, type Phrase, phrase } from "../phrases/phrase.ts";
import { DAY } from "./instant.ts";
import { interval, type LocalStretch } from "./local.ts";
import type { Schedule, Stretch } from "./stretch.ts";
import { weekdayOf } from "./weekdays.ts";

/** What comes again is worked out for so many years from its start, and so often at most. */
const YEARS = 5;
const MOST = 1000;

const number = (day: string) => Date.parse(`${day}T00:00:00Z`) / DAY;
const text = (days: number) => new Date(days * DAY).toISOString().slice(0, 10);
const dayOf = (local: string) => local.slice(0, 10);
const timeOf = (local: string) => local.slice(10);

/** The day of a year and month, counted from 0; null where there is no such day. */
function dayIn(year: number, month: number, day: number): number | null {
  const time = Date.UTC(year, month, day);
  return new Date(time).getUTCDate() === day ? time / DAY : null;
}

/** The last day on which what comes again is worked out. @example horizonOf({ from: "2026-12-01", until: …, again: … }) // "2031-12-01" */
export function horizonOf({ from, again }: Stretch): string | null {
  if (!again || !from) return null;
  const [year = 0, month = 1, day = 1] = dayOf(from).split("-").map(Number);
  const last = text(Date.UTC(year + YEARS, month - 1, day) / DAY);
  return again.until && again.until < last ? again.until : last;
}

/** The days on which a stretch starts, in order. */
function* startsOf(from: string, again: NonNullable<Stretch["again"]>): Generator<number> {
  const first = number(dayOf(from));
  const { every, interval: step = 1, days } = again;
  if (every === "week") {
    const weekday = weekdayOf(first);
    const monday = first - (weekday - 1);
    const wanted = [...(days ?? [weekday])].sort((a, b) => a - b);
    for (let week = monday; ; week += 7 * step)
      for (const day of wanted) if (week + day - 1 >= first) yield week + day - 1;
  }
  const [year = 0, month = 1, day = 1] = dayOf(from).split("-").map(Number);
  for (let turn = 0; ; turn += step) {
    const found = every === "month" ? dayIn(year, month - 1 + turn, day) : dayIn(year + turn, month - 1, day);
    if (found !== null) yield found;
    // A February with 29 days is four, or eight, years off at most.
    if (turn > 12 * 100) return;
  }
}

/**
 * A stretch each time it comes, by the clocks of whatever zone: starts and ends keep their time of day.
 *
 * @example occurrences({ from: "2026-12-04", until: "2026-12-06", again: { every: "week", times: 2 } }) // 4 to 6, and 11 to 13 December
 */
export function occurrences(stretch: Stretch): LocalStretch[] {
  const { from, until, again } = stretch;
  const horizon = horizonOf(stretch);
  if (!again || !from || !until || horizon === null)
    return [{ ...(from ? { from } : {}), ...(until ? { until } : {}) }];
  const length = number(dayOf(until)) - number(dayOf(from));
  const last = number(horizon);
  const most = Math.min(again.times ?? MOST, MOST);
  const found: LocalStretch[] = [];
  for (const start of startsOf(from, again)) {
    if (start > last || found.length >= most) break;
    found.push({ from: text(start) + timeOf(from), until: text(start + length) + timeOf(until) });
  }
  return found;
}

/** Everything a schedule says as UTC intervals, half-open. */
export const intervalsOf = (schedule: Schedule, timeZone: string): [number, number][] =>
  schedule.flatMap((stretch) => occurrences(stretch).map((one) => interval(one, timeZone)));

/** The same times a year later; 29 February becomes the 28th. */
export const aYearLater = (schedule: Schedule): Schedule =>
  schedule.map(({ from, until, again }) => ({
    ...(from ? { from: later(from) } : {}),
    ...(until ? { until: later(until) } : {}),
    ...(again ? { again: { ...again, ...(again.until ? { until: later(again.until) } : {}) } } : {}),
  }));

function later(local: string): string {
  const [year = 0, month = 1, day = 1] = dayOf(local).split("-").map(Number);
  const found = dayIn(year + 1, month - 1, day) ?? Date.UTC(year + 1, 1, 28) / DAY;
  return text(found) + timeOf(local);
}

const EVERY = {
  week: (step: number) => phrase("{step, plural, =1 {again every week} other {again every # weeks}}", { step }),
  month: (step: number) => phrase("{step, plural, =1 {again every month} other {again every # months}}", { step }),
  year: (step: number) => phrase("{step, plural, =1 {again every year} other {again every # years}}", { step }),
} as const;
const WEEKDAYS = [
  phrase("Mondays"),
  phrase("Tuesdays"),
  phrase("Wednesdays"),
  phrase("Thursdays"),
  phrase("Fridays"),
  phrase("Saturdays"),
  phrase("Sundays"),
];

/** How it comes again. @example "again every 2 weeks on Fridays, 10 times" */
export function againWords({ every, interval: step = 1, days, until, times }: NonNullable<Stretch["again"]>): Phrase {
  const again = EVERY[every](step);
  const on = [...(days ?? [])].sort((a, b) => a - b).map((day) => WEEKDAYS[day - 1] ?? "");
  return joined(
    [
      on.length > 0 ? phrase("{again} on {days}", { again, days: andList(on) }) : again,
      until ? phrase("until {until}", { until }) : "",
      times ? phrase("{times, plural, one {# time} other {# times}}", { times }) : "",
    ],
    ", ",
  );
}
