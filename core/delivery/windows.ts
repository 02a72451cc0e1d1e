import { phrase } from "../phrases/phrase.ts";
import { type Calendars, Clock, dayText, type Location, minuteOf, restDays } from "../places/location.ts";
import { closed, Id } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import { DAY } from "../time/instant.ts";
import { Weekdays, weekdayOf } from "../time/weekdays.ts";
import { momentOf, zoneClock } from "../time/zone-clock.ts";

/** A stretch of hours, on some days of the week, in which goods are brought or handed over. */
const Slot = Type.Object(
  {
    id: Id,
    days: Weekdays,
    from: Clock,
    until: Clock,
    holds: Type.Optional(
      Type.Integer({ minimum: 1, maximum: 100_000, description: "Orders on one day at most; any number unless given" }),
    ),
  },
  { ...closed, title: "Slot" },
);

/** The windows that a shopper can pick from, by the clocks of a location; none on the days it is closed. */
export const Windows = Type.Object(
  {
    at: { ...Id, description: "The location whose clocks and closed days they go by" },
    lead: Type.Integer({ minimum: 0, maximum: 100_000, description: "Minutes from the order to the window at least" }),
    ahead: Type.Integer({ minimum: 1, maximum: 60, description: "Days that are offered, the day of the order first" }),
    slots: Type.Array(Slot, { minItems: 1, maxItems: 50 }),
  },
  { ...closed, title: "Windows" },
);
export type Windows = Static<typeof Windows>;

/** One window that can be picked: its slot and day, from when until when in UTC, and how many more orders it holds. */
export type DeliveryWindow = { slot: string; day: string; from: string; until: string; left?: number };

/**
 * The windows open at a moment, the earliest first.
 *
 * @param booked orders that a slot holds on a day already
 * @returns none where the location is not there
 */
export function compileWindows(
  windows: Windows,
  locations: ReadonlyMap<string, Location>,
  calendars: Calendars,
): (at: number, booked: (slot: string, day: string) => number) => DeliveryWindow[] {
  const location = locations.get(windows.at);
  if (!location) return () => [];
  const { timeZone } = location;
  const rest = restDays(location, calendars);
  const clock = zoneClock(timeZone);
  const slots = [...windows.slots].sort(
    (a, b) => minuteOf(a.from) - minuteOf(b.from) || minuteOf(a.until) - minuteOf(b.until) || (a.id < b.id ? -1 : 1),
  );
  // Moments of a local time are looked up in the zone's own data: once for each slot and day.
  const moments = new Map<string, number>();
  const moment = (local: string, side: "start" | "end") => {
    const key = `${side} ${local}`;
    const known = moments.get(key) ?? momentOf(local, timeZone, side);
    moments.set(key, known);
    return known;
  };
  return (at, booked) => {
    const { day: today } = clock(at);
    return Array.from({ length: windows.ahead }, (_, i) => today + i).flatMap((number) => {
      if (rest.has(number)) return [];
      const day = dayText(number);
      return slots.flatMap(({ id, days, from, until, holds }): DeliveryWindow[] => {
        if (!days.includes(weekdayOf(number))) return [];
        const start = moment(`${day}T${from}`, "start");
        if (start < at + windows.lead * MINUTE) return [];
        const left = holds === undefined ? undefined : holds - booked(id, day);
        if (left !== undefined && left <= 0) return [];
        const end = moment(`${day}T${until}`, "end");
        const open = { slot: id, day, from: new Date(start).toISOString(), until: new Date(end).toISOString() };
        return [left === undefined ? open : { ...open, left }];
      });
    });
  };
}

const MINUTE = 60_000;

/** How many orders a slot holds on the weekday of a day; null where it is none of its days. */
export function holdsOn({ slots }: Windows, slot: string, day: string): number | null {
  const found = slots.find(({ id }) => id === slot);
  const weekday = weekdayOf(Date.parse(`${day}T00:00:00Z`) / DAY);
  return found?.days.includes(weekday) ? (found.holds ?? Number.POSITIVE_INFINITY) : null;
}

export function windowsProblems(windows: Windows | undefined, path: string, locations: ReadonlySet<string>): Problem[] {
  if (!windows) return [];
  const seen = new Set<string>();
  return [
    ...(locations.has(windows.at)
      ? []
      : [{ path: `${path}/at`, message: phrase('there is no location "{at}"', { at: windows.at }) }]),
    ...windows.slots.flatMap(({ id, from, until }, i) => {
      const repeated = seen.has(id);
      seen.add(id);
      return [
        ...(repeated
          ? [{ path: `${path}/slots/${i}/id`, message: phrase('"{id}" is used more than once', { id }) }]
          : []),
        ...(minuteOf(from) < minuteOf(until)
          ? []
          : [{ path: `${path}/slots/${i}/until`, message: phrase("has to be later than it begins") }]),
      ];
    }),
  ];
}
