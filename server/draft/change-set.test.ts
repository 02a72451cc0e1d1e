import { fileURLToPath } from "node:url";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { entitiesOf, planOf } from "../../core/plan/entities.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore, loadDemo } from "../demo/load-demo.ts";
import { releaseDraft } from "../releases/make-release.ts";
import { listReleases, planInForce, releaseInForce } from "../releases/releases.ts";
import { applyChangeSet } from "./change-set.ts";
import { readDraft } from "./read-draft.ts";

const pool = openPool(databaseUrl(), 10);
const demo = fileURLToPath(new URL("../../demo", import.meta.url));

beforeEach(async () => {
  await emptyStore(pool);
  await loadDemo(pool, demo);
});
afterAll(() => pool.end());

async function offerInDraft() {
  const draft = await readDraft(pool);
  const offer = draft.entities.find((entity) => entity.kind === "offer");
  if (offer?.kind !== "offer") throw new Error("the demo has no offer");
  return { sequence: draft.sequence, offer };
}

describe("the draft in MariaDB", () => {
  it("lets exactly one of many writers on the same revision through, and refuses the others with its version", async () => {
    const { offer, sequence } = await offerInDraft();
    const results = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        applyChangeSet(
          pool,
          {
            writes: [
              { kind: "offer", id: offer.id, seen: offer.revision, body: { ...offer.body, name: `Writer ${i}` } },
            ],
          },
          `writer ${i}`,
        ),
      ),
    );
    const applied = results.filter((result) => "sequence" in result);
    expect(applied).toHaveLength(1);
    const now = await offerInDraft();
    expect(now.sequence).toBe(sequence + 1);
    for (const result of results) {
      if ("conflicts" in result) expect(result.conflicts[0]?.current.body).toEqual(now.offer.body);
    }
  });

  it("answers with what others wrote and removed since what is known, and with nothing else", async () => {
    const { offer, sequence } = await offerInDraft();
    const draft = await readDraft(pool);
    const [first, second, third] = draft.entities.filter(({ kind }) => kind === "offer" && !draft.unreadable.length);
    if (!first || !second || !third) throw new Error("the demo has too few offers");
    const by = (
      who: string,
      since: number | undefined,
      ...writes: { kind: "offer"; id: string; body: object | null }[]
    ) =>
      readDraft(pool).then(({ entities }) => {
        const seen = (id: string) => entities.find((one) => one.kind === "offer" && one.id === id)?.revision ?? 0;
        const all = writes.map((write) => ({ ...write, seen: seen(write.id) }));
        return applyChangeSet(pool, { ...(since === undefined ? {} : { since }), writes: all }, who);
      });
    const renamed = ({ id, body }: typeof first, name: string) => ({
      kind: "offer" as const,
      id,
      body: { ...body, name },
    });
    await by("others", undefined, renamed(second, "Theirs"));
    await by("others", undefined, { kind: "offer", id: third.id, body: null });
    const mine = await by("me", sequence, renamed(first, "Mine"));
    expect(mine).toMatchObject({
      sequence: sequence + 3,
      entities: [
        { id: first.id, body: { name: "Mine" }, revision: sequence + 3 },
        { id: second.id, body: { name: "Theirs" }, revision: sequence + 1 },
      ],
      removed: [{ kind: "offer", id: third.id }],
    });
    // What is known already is not told again; who asks for nothing is told of their own alone.
    expect(await by("me", sequence + 3, renamed(first, "Again"))).toMatchObject({
      entities: [{ id: first.id }],
      removed: [],
    });
    expect(await by("me", undefined, renamed(offer, "Plain"))).toMatchObject({
      entities: [{ id: offer.id }],
      removed: [],
    });
  });

  it("writes all of a change-set or nothing of it, and logs before and after", async () => {
    const { offer, sequence } = await offerInDraft();
    const half = await applyChangeSet(
      pool,
      {
        writes: [
          { kind: "offer", id: offer.id, seen: offer.revision, body: { ...offer.body, name: "Kept back" } },
          { kind: "zone", id: "portugal-mainland", seen: 999, body: null },
        ],
      },
      "tester",
    );
    expect(half).toHaveProperty("conflicts");
    expect((await offerInDraft()).offer.body.name).toBe(offer.body.name);

    await applyChangeSet(
      pool,
      { writes: [{ kind: "offer", id: offer.id, seen: offer.revision, body: { ...offer.body, name: "Renamed" } }] },
      "tester",
    );
    const [log] = await pool.query(
      "SELECT made_by, body_before, body_after FROM changes JOIN change_sets USING (sequence) WHERE sequence = ?",
      [sequence + 1],
    );
    expect(log).toEqual([
      {
        made_by: "tester",
        body_before: JSON.stringify(offer.body),
        body_after: JSON.stringify({ ...offer.body, name: "Renamed" }),
      },
    ]);
  });

  it("releases what was looked at, once, and keeps every release as it was", async () => {
    const { offer, sequence } = await offerInDraft();
    expect(await releaseDraft(pool, sequence, "tester")).toEqual({ refused: "nothing-changed", sequence });
    await applyChangeSet(
      pool,
      { writes: [{ kind: "offer", id: offer.id, seen: offer.revision, body: { ...offer.body, on: false } }] },
      "tester",
    );
    expect(await releaseDraft(pool, sequence, "tester")).toEqual({ refused: "draft-moved", sequence: sequence + 1 });
    expect(await releaseDraft(pool, sequence + 1, "tester")).toHaveProperty("release.number", 2);
    expect((await releaseInForce(pool))?.compiled.plan.offers[0]?.on).toBe(false);
    expect((await listReleases(pool)).map(({ number }) => number)).toEqual([2, 1]);

    const latest = await planInForce(pool);
    expect(latest && planOf(entitiesOf(latest.plan))).toEqual(latest?.plan);
    await pool.query("UPDATE releases SET plan = REPLACE(plan, 'Portugal', 'Elsewhere') WHERE number = 2");
    await expect(planInForce(pool)).rejects.toThrow(/damaged/);
  });
});
