import { momentOf, nextDay, zoneClock } from "./zone-clock.ts";

/** What became of a local time in its zone: a skipped one moves, a doubled one is the first or the second. */
export type LocalMoment = { readonly at: number; readonly clocks: "plain" | "skipped" | "doubled" };

/**
 * The moment a schedule's start or end stands for, and whether clocks were put forward or back then.
 *
 * @example localMoment("2026-03-29T01:30", "Europe/Lisbon", "start").clocks // "skipped"
 */
export function localMoment(local: string, timeZone: string, side: "start" | "end"): LocalMoment {
  const whole = side === "end" && local.length === 10 ? nextDay(local) : local;
  const at = momentOf(whole, timeZone, whole === local ? side : "start");
  const [day = "", time = "00:00"] = whole.split("T");
  const { day: shownDay, minute } = zoneClock(timeZone)(at);
  const [hours = 0, minutes = 0] = time.split(":").map(Number);
  const asWritten = shownDay === Date.parse(`${day}T00:00:00Z`) / 86_400_000 && minute === hours * 60 + minutes;
  if (!asWritten) return { at, clocks: "skipped" };
  const other = momentOf(whole, timeZone, side === "start" ? "end" : "start");
  return { at, clocks: other === at ? "plain" : "doubled" };
}
