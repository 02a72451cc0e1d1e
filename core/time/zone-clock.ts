import { tzOffset } from "@date-fns/tz/tzOffset";
import { dayOf } from "./day.ts";
import { DAY } from "./instant.ts";
import { weekdayOf } from "./weekdays.ts";

const MINUTE = 60_000;
/** Offsets are looked up once for these years; outside them the nearest known offset holds. */
const FIRST = Date.UTC(2015, 0, 1);
const LAST = Date.UTC(2045, 0, 1);
/** No zone keeps an offset for less than this, in these years, except where it pauses summer time for Ramadan. */
const PROBE = 14 * DAY;

type Offsets = { readonly starts: readonly number[]; readonly offsets: readonly number[] };

const keptOffsets = new Map<string, Offsets>();

/** How far a zone's clocks are from UTC at a moment, in milliseconds: the only place that asks for time zone data. */
const offsetOf = (timeZone: string, time: number) => tzOffset(timeZone, new Date(time)) * MINUTE;

/** When a zone's offset changes, in milliseconds of UTC, found by probing and halving; kept per zone. */
function offsetsOf(timeZone: string): Offsets {
  const kept = keptOffsets.get(timeZone);
  if (kept) return kept;
  const at = (time: number) => offsetOf(timeZone, time);
  const starts = [FIRST];
  const offsets = [at(FIRST)];
  for (let time = FIRST; time < LAST; time += PROBE) {
    if (at(time) === at(time + PROBE)) continue;
    let [low, high] = [time, time + PROBE];
    while (high - low > MINUTE) {
      const middle = low + Math.floor((high - low) / 2 / MINUTE) * MINUTE;
      if (at(middle) === at(low)) low = middle;
      else high = middle;
    }
    starts.push(high);
    offsets.push(at(high));
  }
  const found = { starts, offsets };
  keptOffsets.set(timeZone, found);
  return found;
}

function offsetAt({ starts, offsets }: Offsets, time: number): number {
  let low = 0;
  let high = starts.length;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((starts[middle] ?? Number.POSITIVE_INFINITY) <= time) low = middle;
    else high = middle;
  }
  return offsets[low] ?? 0;
}

/** What clocks of a zone show, as days since 1970-01-01 and minutes of the day. Touches no time zone data when called. */
export function zoneClock(timeZone: string): (time: number) => { day: number; weekday: number; minute: number } {
  const offsets = offsetsOf(timeZone);
  return (time) => {
    const local = time + offsetAt(offsets, time);
    const day = Math.floor(local / DAY);
    return { day, weekday: weekdayOf(day), minute: Math.floor((local - day * DAY) / MINUTE) };
  };
}

/**
 * The UTC moment of a local time. A skipped local time moves forward by the gap; a doubled one is the earlier moment as
 * a start and the later one as an end.
 *
 * @param local "2026-11-27" (its first moment) or "2026-11-27T09:30"
 * @example momentOf("2026-03-29T01:30", "Europe/Lisbon", "start") // 01:30 was skipped: 02:30 in Lisbon, 01:30 UTC
 */
export function momentOf(local: string, timeZone: string, side: "start" | "end"): number {
  const wall = Date.parse(`${local.length === 10 ? `${local}T00:00` : local}:00Z`);
  const known = wall - 2 * DAY >= FIRST && wall + 2 * DAY < LAST ? offsetsOf(timeZone) : undefined;
  const offset = (time: number) => (known ? offsetAt(known, time) : offsetOf(timeZone, time));
  const before = offset(wall - DAY);
  const after = offset(wall + DAY);
  const moments = [wall - before, wall - after].filter((moment) => moment + offset(moment) === wall);
  if (moments.length === 0) return wall - before;
  return side === "start" ? Math.min(...moments) : Math.max(...moments);
}

/** The day after a calendar day. @example nextDay("2026-11-30") // "2026-12-01" */
export const nextDay = (day: string) => dayOf(Date.parse(`${day}T00:00:00Z`) + DAY);
