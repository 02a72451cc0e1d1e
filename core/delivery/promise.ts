import { Kept } from "../phrases/kept.ts";
import { phrase } from "../phrases/phrase.ts";
import { type Calendars, Clock, dayText, type Location, minuteOf, restDays } from "../places/location.ts";
import { byKind, closed, Id } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import { isoOf } from "../time/instant.ts";
import { Weekdays, weekdayOf } from "../time/weekdays.ts";
import { momentOf, zoneClock } from "../time/zone-clock.ts";

const Days = Type.Object(
  { least: Type.Integer({ minimum: 0, maximum: 365 }), most: Type.Integer({ minimum: 0, maximum: 365 }) },
  { ...closed, title: "Days", description: "Working days" },
);

/**
 * When goods arrive, or can be collected. Orders of a working day until the end of the cut-off's minute, by the
 * location's clocks, are begun that day, later ones the next working day; without a cut-off all are begun the next. Preparation and transit are counted in working days; collection is
 * ready after so many minutes of opening hours.
 */
export const DeliveryPromise = byKind(
  [
    Type.Object(
      {
        kind: Type.Literal("arrives"),
        from: Id,
        cutOff: Type.Optional({ ...Clock, description: "HH:MM, that minute included; never the same day without it" }),
        workingDays: Weekdays,
        preparation: Days,
        transit: Days,
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal("ready"),
        at: Id,
        lead: Type.Integer({ minimum: 0, maximum: 100_000, description: "Minutes" }),
      },
      closed,
    ),
  ],
  "DeliveryPromise",
);
export type DeliveryPromise = Static<typeof DeliveryPromise>;

/** The earliest and the latest day (ISO), by the location's clocks; for collection the moment it is ready from. */
export type Promised = { earliest: string; latest: string; readyAt?: string };

/** Nothing is promised further ahead: a location that never opens has nothing to promise. */
const FURTHEST = 400;
/** Every minute of a day comes after it. */
const NEVER = -1;

/** @returns from a moment in milliseconds of UTC to what is promised; null when nothing can be */
export function compilePromise(
  promise: DeliveryPromise,
  locations: ReadonlyMap<string, Location>,
  calendars: Calendars,
): (at: number) => Promised | null {
  const location = locations.get(promise.kind === "arrives" ? promise.from : promise.at);
  if (!location) return () => null;
  const rest = restDays(location, calendars);
  const clock = zoneClock(location.timeZone);
  if (promise.kind === "ready") return readyAfter(promise.lead, location, rest);
  const works = (day: number) => !rest.has(day) && promise.workingDays.includes(weekdayOf(day));
  const cutOff = promise.cutOff === undefined ? NEVER : minuteOf(promise.cutOff);
  const workingDay = (day: number, ahead: number): number | null => {
    let found = day;
    for (let left = ahead; found < day + FURTHEST + 7 * ahead; found += 1) {
      if (!works(found)) continue;
      if (left === 0) return found;
      left -= 1;
    }
    return null;
  };
  const { preparation, transit } = promise;
  const promised = (day: number): Promised | null => {
    const begun = workingDay(day, 0);
    if (begun === null) return null;
    const earliest = workingDay(begun, preparation.least + transit.least);
    const latest = workingDay(begun, preparation.most + transit.most);
    return earliest === null || latest === null ? null : { earliest: dayText(earliest), latest: dayText(latest) };
  };
  // Quotes of one day are promised the same, before the cut-off and after.
  const ofDay = new Kept<Promised | null, number>(MOST_KEPT);
  return (at) => {
    const { day, minute } = clock(at);
    const first = works(day) && minute > cutOff ? day + 1 : day;
    return ofDay.of(first, () => promised(first));
  };
}

const MOST_KEPT = 500;

function readyAfter(
  lead: number,
  { openingHours, timeZone }: Location,
  rest: ReadonlySet<number>,
): (at: number) => Promised | null {
  const clock = zoneClock(timeZone);
  const hoursOfWeek = Array.from({ length: 8 }, (_, weekday) =>
    (openingHours ?? [])
      .filter(({ days }) => days.includes(weekday))
      .map(({ from, until }) => ({ from: minuteOf(from), until: minuteOf(until) }))
      .sort((a, b) => a.from - b.from),
  );
  const hoursOn = (day: number) => (rest.has(day) ? [] : (hoursOfWeek[weekdayOf(day)] ?? []));
  const readyFrom = (today: number, now: number) => {
    let left = lead;
    for (let day = today; day < today + FURTHEST; day += 1) {
      for (const { from, until } of hoursOn(day)) {
        const start = day === today ? Math.max(from, now) : from;
        if (start >= until) continue;
        if (start + left < until) {
          const minute = start + left;
          const text = dayText(day);
          const local = `${text}T${twoDigits(Math.floor(minute / 60))}:${twoDigits(minute % 60)}`;
          const moment = momentOf(local, timeZone, "start");
          return { moment, promised: { earliest: text, latest: text, readyAt: isoOf(moment) } };
        }
        left -= until - start;
      }
    }
    return null;
  };
  // Whoever asks within a minute is told the same.
  const ofMinute = new Kept<ReturnType<typeof readyFrom>, number>(MOST_KEPT);
  return (at) => {
    const { day, minute } = clock(at);
    const ready = ofMinute.of(day * MINUTES_OF_DAY + minute, () => readyFrom(day, minute));
    if (!ready) return null;
    const { moment, promised } = ready;
    return at > moment ? { ...promised, readyAt: isoOf(at) } : promised;
  };
}

const MINUTES_OF_DAY = 1440;

const twoDigits = (figure: number) => String(figure).padStart(2, "0");

export function promiseProblems(promise: DeliveryPromise, path: string, locations: ReadonlySet<string>): Problem[] {
  const [key, id] = promise.kind === "arrives" ? (["from", promise.from] as const) : (["at", promise.at] as const);
  const missing = locations.has(id)
    ? []
    : [{ path: `${path}/${key}`, message: phrase('there is no location "{id}"', { id }) }];
  if (promise.kind === "ready") return missing;
  const backwards = (["preparation", "transit"] as const)
    .filter((part) => promise[part].most < promise[part].least)
    .map((part) => ({ path: `${path}/${part}/most`, message: phrase("has to be no less than the least") }));
  return [...missing, ...backwards];
}
