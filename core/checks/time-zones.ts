import { marketsOf } from "../places/markets-of.ts";
import type { Plan } from "../plan/plan.ts";

/** The time zones of the markets that some zones belong to. */
export function timeZonesOf(plan: Plan, zones: readonly string[]): string[] {
  return [...new Set(marketsOf(plan, zones).map(({ timeZone }) => timeZone))];
}
