/** The day of a moment, in milliseconds of UTC, by UTC. @example dayOf(Date.UTC(2026, 10, 27, 9)) // "2026-11-27" */
export const dayOf = (at: number): string => new Date(at).toISOString().slice(0, 10);

/** Whether the calendar has a day. @example isDay("2026-02-30") // false */
export function isDay(date: string): boolean {
  const time = new Date(`${date}T00:00:00Z`);
  return !Number.isNaN(time.getTime()) && time.toISOString().startsWith(date);
}
