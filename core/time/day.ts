/** Whether the calendar has a day. @example isDay("2026-02-30") // false */
export function isDay(date: string): boolean {
  const time = new Date(`${date}T00:00:00Z`);
  return !Number.isNaN(time.getTime()) && time.toISOString().startsWith(date);
}
