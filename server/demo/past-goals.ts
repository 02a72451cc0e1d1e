import type { PastGoal } from "../../core/evidence/past-goal.ts";

/** The goals that the demo store has had before the ones of its plan, and those with the days since which they hold. */
export const DEMO_GOALS: readonly PastGoal[] = [
  { market: "portugal", currency: "EUR", goal: 3500, from: "2025-09-24", until: "2026-01-31" },
  { market: "portugal", currency: "EUR", goal: 4000, from: "2026-04-01", until: "2026-07-31" },
  { market: "portugal", currency: "EUR", goal: 4500, from: "2026-08-01", until: null },
  { market: "euro-area", currency: "EUR", goal: 6000, from: "2026-02-01", until: null },
  { market: "united-kingdom", currency: "GBP", goal: 4000, from: "2025-11-01", until: "2026-03-31" },
  { market: "united-kingdom", currency: "GBP", goal: 5000, from: "2026-08-01", until: null },
  { market: "united-states", currency: "USD", goal: 7500, from: "2026-05-01", until: null },
];
