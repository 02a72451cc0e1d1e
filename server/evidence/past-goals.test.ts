import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { planOf } from "../../core/plan/entities.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore, loadDemo } from "../demo/load-demo.ts";
import { applyChangeSet } from "../draft/change-set.ts";
import { readDraft } from "../draft/read-draft.ts";
import { releaseDraft } from "../releases/make-release.ts";
import { releasedGoals, statedGoals, stateGoals } from "./past-goals.ts";

const pool = openPool(databaseUrl(), 3);
beforeEach(async () => {
  await emptyStore(pool);
  await loadDemo(pool, "demo");
});
afterAll(async () => {
  await emptyStore(pool);
  await pool.end();
});

const NOW = Date.UTC(2026, 10, 27, 12);
const ofPortugal = async () =>
  (await releasedGoals(pool, NOW))
    .filter(({ market }) => market === "portugal")
    .map(({ goal, from, until }) => [goal, from, until]);
/** As if a release had been made so many days before. */
const madeBefore = (number: number, days: number) =>
  pool.query("UPDATE releases SET released_at = ? - INTERVAL ? DAY WHERE number = ?", [
    ...[new Date(NOW), days, number],
  ]);

async function releaseWithGoal(goal: string): Promise<void> {
  const { entities, sequence } = await readDraft(pool);
  const offer = planOf(entities)?.offers.find(({ id }) => id === "free-standard");
  const seen = entities.find(({ id }) => id === "free-standard")?.revision ?? 0;
  if (!offer) throw new Error("the demo has the offer");
  const steps = offer.steps.map((step) => ({
    ...step,
    trigger: { kind: "goal" as const, goal: { at: { byCurrency: { EUR: goal } }, edge: "from" as const } },
  }));
  const body = { ...offer, steps, purpose: `${goal} ${sequence}` };
  const applied = await applyChangeSet(pool, { writes: [{ kind: "offer", id: offer.id, seen, body }] }, "test");
  if (!("sequence" in applied)) throw new Error(JSON.stringify(applied));
  const released = await releaseDraft(pool, applied.sequence, "test");
  if (!("release" in released)) throw new Error(JSON.stringify(released));
}

describe("the goals that there were", () => {
  it("are told of by releases, each for the days that it held, one for those that set the same", async () => {
    await releaseWithGoal("45.00");
    await releaseWithGoal("52.00");
    await madeBefore(1, 60);
    await madeBefore(2, 40);
    await madeBefore(3, 10);
    expect(await ofPortugal()).toEqual([
      [4500, "2026-09-28", "2026-11-16"],
      [5200, "2026-11-17", null],
    ]);
    // Held for part of a day, it held for no whole one.
    await madeBefore(2, 10);
    expect(await ofPortugal()).toEqual([
      [4500, "2026-09-28", "2026-11-16"],
      [5200, "2026-11-17", null],
    ]);
  });

  it("are stated for the time before, all of them at once", async () => {
    const goals = [
      { market: "portugal", currency: "EUR", goal: 3500, from: "2025-10-01", until: "2026-01-31" },
      { market: "portugal", currency: "EUR", goal: 4000, from: "2026-04-01", until: null },
    ];
    await stateGoals(pool, goals);
    expect(await statedGoals(pool)).toEqual(goals);
    await stateGoals(pool, goals.slice(1));
    expect(await statedGoals(pool)).toEqual(goals.slice(1));
    await stateGoals(pool, []);
    expect(await statedGoals(pool)).toEqual([]);
  });
});
