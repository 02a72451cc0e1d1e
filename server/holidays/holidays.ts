import type Holidays from "date-holidays";
import { phrase } from "../../core/phrases/phrase.ts";
import type { Calendars } from "../../core/places/location.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { Problem } from "../../core/schema/problem.ts";

const lookedUp = new Map<string, readonly string[]>();
let table: typeof Holidays | undefined;

/** The public holidays of one calendar in one year, as ISO days; empty where none are known. The table is read when it is needed. */
async function holidaysIn(calendar: string, year: number): Promise<readonly string[]> {
  const key = `${calendar} ${year}`;
  const known = lookedUp.get(key);
  if (known) return known;
  table ??= (await import("date-holidays")).default;
  const found = new table(calendar, { types: ["public"] }).getHolidays(year).map(({ date }) => date.slice(0, 10));
  const days = [...new Set(found)].sort();
  lookedUp.set(key, days);
  return days;
}

/**
 * The public holidays of every calendar that a plan's locations keep, from the year before a moment to the second after
 * it: what promises made around then can fall on.
 *
 * @example await calendarsOf(plan, Date.now()) // { "PT-30": ["2025-01-01", …] }
 */
export async function calendarsOf({ locations }: Pick<Plan, "locations">, at: number): Promise<Calendars> {
  const year = new Date(at).getUTCFullYear();
  const names = [...new Set((locations ?? []).flatMap(({ holidays }) => holidays ?? []))].sort();
  const calendars: Record<string, readonly string[]> = {};
  for (const name of names) {
    const years = await Promise.all([-1, 0, 1, 2].map((ahead) => holidaysIn(name, year + ahead)));
    calendars[name] = years.flat();
  }
  return calendars;
}

/** Locations that keep the holidays of a place of which none are known. */
export async function calendarProblems({ locations }: Pick<Plan, "locations">, at: number): Promise<Problem[]> {
  const year = new Date(at).getUTCFullYear();
  const problems: Problem[] = [];
  for (const [i, { holidays }] of (locations ?? []).entries()) {
    if (holidays === undefined || (await holidaysIn(holidays, year)).length > 0) continue;
    problems.push({
      path: `/locations/${i}/holidays`,
      message: phrase("no public holidays are known for {holidays}; list them under closedOn instead", { holidays }),
    });
  }
  return problems;
}
