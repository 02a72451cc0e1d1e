import { dayOf } from "../time/day.ts";
import { DAY } from "../time/instant.ts";
import type { PastGoal } from "./past-goal.ts";
import { type Spread, spreadOf } from "./spread.ts";

/** The orders of one week, and the goal that held through all of it; null where none did, "several" where it changed. */
export type Week = { readonly first: string; readonly spread: Spread; readonly goal: number | null | "several" };

/** A Monday. */
const MONDAY = Date.UTC(2024, 0, 1);

/**
 * Days put together into whole weeks, Monday to Sunday; a week of which days are missing at the start or the end is left out.
 *
 * @param days orders by their day, "2026-11-27"
 * @param goals of the market and currency that the orders are of
 */
export function weeksOf(days: ReadonlyMap<string, Spread>, goals: readonly PastGoal[]): Week[] {
  const sorted = [...days.keys()].sort();
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (first === undefined || last === undefined) return [];
  const from = Math.ceil((Date.parse(first) - MONDAY) / (7 * DAY));
  const until = Math.floor((Date.parse(last) + DAY - MONDAY) / (7 * DAY));
  return Array.from({ length: Math.max(0, until - from) }, (_, i): Week => {
    const names = Array.from({ length: 7 }, (__, day) => dayOf(MONDAY + ((from + i) * 7 + day) * DAY));
    const spread = spreadOf(names.flatMap((day) => days.get(day) ?? []));
    return { first: names[0] ?? "", spread, goal: goalOn(names, goals) };
  });
}

function goalOn(days: readonly string[], goals: readonly PastGoal[]): Week["goal"] {
  const lowest = new Set(
    days.map((day) => {
      const held = goals.filter(({ from, until }) => from <= day && (until === null || day <= until));
      return held.length === 0 ? null : Math.min(...held.map(({ goal }) => goal));
    }),
  );
  const [only] = lowest;
  return lowest.size === 1 && only !== undefined ? only : "several";
}
