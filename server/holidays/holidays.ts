import Holidays from "date-holidays";
import type { Calendars } from "../../core/places/location.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { Problem } from "../../core/schema/problem.ts";

const lookedUp = new Map<string, readonly string[]>();

/** The public holidays of one calendar in one year, as ISO days; empty where none are known. */
function holidaysIn(calendar: string, year: number): readonly string[] {
  const key = `${calendar} ${year}`;
  const known = lookedUp.get(key);
  if (known) return known;
  const found = new Holidays(calendar, { types: ["public"] }).getHolidays(year).map(({ date }) => date.slice(0, 10));
  const days = [...new Set(found)].sort();
  lookedUp.set(key, days);
  return days;
}

/**
 * The public holidays of every calendar that a plan's locations keep, from the year before a moment to the second after
 * it: what promises made around then can fall on.
 *
 * @example calendarsOf(plan, Date.now()) // { "PT-30": ["2025-01-01", …] }
 */
export function calendarsOf({ locations }: Pick<Plan, "locations">, at: number): Calendars {
  const year = new Date(at).getUTCFullYear();
  const names = [...new Set((locations ?? []).flatMap(({ holidays }) => holidays ?? []))].sort();
  return Object.fromEntries(
    names.map((name) => [name, [-1, 0, 1, 2].flatMap((ahead) => holidaysIn(name, year + ahead))]),
  );
}

/** Locations that keep the holidays of a place of which none are known. */
export function calendarProblems({ locations }: Pick<Plan, "locations">, at: number): Problem[] {
  const year = new Date(at).getUTCFullYear();
  return (locations ?? []).flatMap(({ holidays }, i) =>
    holidays === undefined || holidaysIn(holidays, year).length > 0
      ? []
      : [
          {
            path: `/locations/${i}/holidays`,
            message: `no public holidays are known for ${holidays}; list them under closedOn instead`,
          },
        ],
  );
}
