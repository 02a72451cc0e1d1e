import type { Pool, RowDataPacket } from "mysql2/promise";
import { goalsOfPlan } from "../../core/evidence/goals-of-plan.ts";
import type { PastGoal } from "../../core/evidence/past-goal.ts";
import { dayOf } from "../../core/time/day.ts";
import { DAY } from "../../core/time/instant.ts";
import { inTransaction } from "../database/pool.ts";
import { listReleases, readRelease } from "../releases/releases.ts";

interface GoalRow extends RowDataPacket {
  market: string;
  currency: string;
  goal: number;
  from_day: string;
  until_day: string | null;
}

/** The goals that somebody has stated, the earliest first. */
export async function statedGoals(pool: Pool): Promise<PastGoal[]> {
  const [rows] = await pool.query<GoalRow[]>(
    `SELECT market, currency, goal, DATE_FORMAT(from_day, '%Y-%m-%d') AS from_day, DATE_FORMAT(until_day, '%Y-%m-%d') AS until_day
     FROM past_goals ORDER BY market, currency, from_day, id`,
  );
  return rows.map(({ market, currency, goal, from_day: from, until_day: until }) => ({
    ...{ market, currency, goal, from, until },
  }));
}

/** Puts other goals in the place of those that were stated. */
export async function stateGoals(pool: Pool, goals: readonly PastGoal[]): Promise<void> {
  await inTransaction(pool, async (connection) => {
    await connection.query("DELETE FROM past_goals");
    if (goals.length > 0)
      await connection.query("INSERT INTO past_goals (market, currency, goal, from_day, until_day) VALUES ?", [
        goals.map(({ market, currency, goal, from, until }) => [market, currency, goal, from, until]),
      ]);
  });
}

/** Releases that are looked back on. */
const MOST_RELEASES = 60;

/** Releases do not change: what goals one set is worked out once. */
const goalsOfRelease = new Map<string, ReturnType<typeof goalsOfPlan>>();

/** The goals for free delivery that releases have set, with the whole days for which they held, by UTC. */
export async function releasedGoals(pool: Pool, now: number): Promise<PastGoal[]> {
  const held = (await listReleases(pool))
    .filter(({ state }) => state === "in-force" || state === "past")
    .map((release) => ({ release, from: Date.parse(release.moment ?? release.releasedAt) }))
    .sort((a, b) => a.from - b.from || a.release.number - b.release.number)
    .slice(-MOST_RELEASES);
  const found: PastGoal[] = [];
  for (const [i, { release, from }] of held.entries()) {
    const next = held[i + 1]?.from;
    const until = next === undefined ? null : dayOf(next - DAY);
    if (until !== null && until < dayOf(from)) continue;
    const key = `${release.number} ${release.releasedAt}`;
    const goals = goalsOfRelease.get(key) ?? (await goalsSetBy(pool, release.number));
    goalsOfRelease.set(key, goals);
    for (const { market, currency, goal, isFree, isForAll } of goals)
      if (isFree && isForAll && dayOf(from) <= dayOf(now))
        found.push({ market, currency, goal, from: dayOf(from), until });
  }
  return joined(found);
}

async function goalsSetBy(pool: Pool, number: number) {
  const found = await readRelease(pool, number);
  return found ? goalsOfPlan(found.plan) : [];
}

/** A goal that one release after the other has set is one. */
function joined(goals: readonly PastGoal[]): PastGoal[] {
  const found: PastGoal[] = [];
  for (const goal of goals) {
    const at = found.findIndex(
      (one) =>
        one.market === goal.market &&
        one.currency === goal.currency &&
        one.goal === goal.goal &&
        one.until !== null &&
        Date.parse(goal.from) - Date.parse(one.until) <= DAY,
    );
    const before = found[at];
    if (before) found[at] = { ...before, until: goal.until };
    else found.push(goal);
  }
  return found;
}
