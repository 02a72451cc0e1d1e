import type { Fact } from "../../facts/fact.ts";
import { EVERYTHING, type Intervals, meet, samples } from "../../facts/intervals.ts";
import { instant } from "../../facts/moment/instant.ts";
import { minuteOfDay } from "../../facts/moment/minute.ts";
import { monthDay } from "../../facts/moment/month-day.ts";
import { weekday } from "../../facts/moment/weekday.ts";
import { dayOf } from "../../time/day.ts";
import { DAY } from "../../time/instant.ts";
import { momentOf, zoneClock } from "../../time/zone-clock.ts";
import type { Constraints } from "../constraints.ts";
import type { ZoneContext } from "../world.ts";

/** Days looked through for one on which weekday and day of the month meet. */
const MOST_DAYS = 1500;
const NOON = 720;

type Clock = ReturnType<typeof zoneClock>;

/** How what a moment is read for is read off it. */
const READINGS: readonly (readonly [Fact, (at: number, clock: Clock) => number])[] = [
  [instant, (at) => at],
  [weekday, (at, clock) => clock(at).weekday - 1],
  [minuteOfDay, (at, clock) => clock(at).minute],
  [monthDay, (at, clock) => new Date(clock(at).day * DAY).getUTCDate()],
];

/** A moment as asked, as near to `around` as is looked for; none where there is none. */
export function momentsFor({ market }: ZoneContext, { numbers }: Constraints, around: number): number[] {
  const asked = READINGS.filter(([fact]) => numbers.has(fact));
  if (asked.length === 0) return [around];
  const clock = zoneClock(market.timeZone);
  const wanted = (at: number) => asked.every(([fact, read]) => lies(read(at, clock), numbers.get(fact)));
  const minutes = [...samples(numbers.get(minuteOfDay) ?? EVERYTHING, 0, 1439), NOON];
  for (const stretch of numbers.get(instant) ?? EVERYTHING) {
    for (const start of startsIn(stretch, around)) {
      const found = firstFrom(start, stretch, minutes, market.timeZone, wanted);
      if (found !== undefined) return [found];
    }
  }
  return [];
}

const lies = (value: number, within: Intervals | undefined) =>
  !within || meet(within, [{ from: value, until: value + 1 }]).length > 0;

/** Where to begin to look: at its beginning; without one from now on, else looking back from its end. */
const startsIn = ({ from, until }: Intervals[number], around: number): number[] =>
  from === null ? [around, Math.min(around, until ?? around) - (MOST_DAYS / 2) * DAY] : [from];

function firstFrom(
  start: number,
  { from, until }: Intervals[number],
  minutes: readonly number[],
  timeZone: string,
  wanted: (at: number) => boolean,
): number | undefined {
  const edges = [...(from === null ? [] : [from]), ...(until === null ? [] : [until - 1])];
  for (let day = 0; day < MOST_DAYS; day += 1) {
    if (until !== null && start + (day - 2) * DAY > until) return undefined;
    const date = dayOf(start + day * DAY);
    const times = minutes.map((minute) => momentOf(`${date}T${clockText(minute)}`, timeZone, "start"));
    const found = [...(day === 0 ? edges : []), ...times].find(wanted);
    if (found !== undefined) return found;
  }
  return undefined;
}

const clockText = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;
