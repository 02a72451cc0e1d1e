import { Kept } from "../phrases/kept.ts";
import { phrase } from "../phrases/phrase.ts";
import { type Calendars, Clock, dayText, type Location, minuteOf, restDays } from "../places/location.ts";
import { closed, Id } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import { DAY, isoOf } from "../time/instant.ts";
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
export type DeliveryWindow = Readonly<{ slot: string; day: string; from: string; until: string; left?: number }>;

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
  const slotsOf = (number: number): readonly DatedSlot[] => {
    if (rest.has(number)) return [];
    const day = dayText(number);
    return slots
      .filter(({ days }) => days.includes(weekdayOf(number)))
      .map(({ id, from, until, holds }) => {
        const start = momentOf(`${day}T${from}`, timeZone, "start");
        const end = momentOf(`${day}T${until}`, timeZone, "end");
        return datedSlot({ slot: id, day, from: isoOf(start), until: isoOf(end) }, start, holds);
      });
  };
  // Quotes ask for the same few days over and over.
  const dated = new Kept<readonly DatedSlot[], number>(MOST_DAYS);
  return (at, booked) => {
    const { day: today } = clock(at);
    const earliest = at + windows.lead * MINUTE;
    const open: DeliveryWindow[] = [];
    for (let number = today; number < today + windows.ahead; number += 1) {
      for (const { window, start, holds, withLeft } of dated.of(number, () => slotsOf(number))) {
        if (start < earliest) continue;
        const left = holds === undefined ? undefined : holds - booked(window.slot, window.day);
        if (left === undefined) open.push(window);
        else if (left > 0) open.push(withLeft(left));
      }
    }
    return open;
  };
}

/** A slot on a day: when it begins, in milliseconds of UTC, and how many orders it holds where that has an end. */
type DatedSlot = {
  readonly window: DeliveryWindow;
  readonly start: number;
  readonly holds: number | undefined;
  /** The window once it holds so many more: the same for everybody, until somebody books it. */
  readonly withLeft: (left: number) => DeliveryWindow;
};

function datedSlot(window: DeliveryWindow, start: number, holds: number | undefined): DatedSlot {
  let last: DeliveryWindow = window;
  const withLeft = (left: number) => {
    if (last.left !== left) last = { ...window, left };
    return last;
  };
  return { window, start, holds, withLeft };
}

const MOST_DAYS = 500;
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
