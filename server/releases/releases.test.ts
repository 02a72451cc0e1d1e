import { createHash } from "node:crypto";
import { readFile } from "node:fs/promises";
import { fileURLToPath } from "node:url";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { fromFormat1 } from "../../core/plan/former-formats.ts";
import { quote } from "../../core/quote/quote.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore, loadDemo } from "../demo/load-demo.ts";
import { applyChangeSet } from "../draft/change-set.ts";
import { readDraft } from "../draft/read-draft.ts";
import { latestPlan, latestRelease, listReleases, releaseDraft } from "./releases.ts";

const pool = openPool(databaseUrl(), 5);
const demo = fileURLToPath(new URL("../../demo", import.meta.url));
const former = fileURLToPath(new URL("../../core/tests/former", import.meta.url));
afterAll(() => pool.end());
beforeEach(async () => {
  await emptyStore(pool);
  await loadDemo(pool, demo);
});

const sequenceOf = async () => (await readDraft(pool)).sequence;

/** An offer of the draft under another name, saved. */
async function rename(name: string): Promise<number> {
  const { entities } = await readDraft(pool);
  const offer = entities.find(({ kind }) => kind === "offer");
  if (offer?.kind !== "offer") throw new Error("the demo has no offer");
  const write = { kind: offer.kind, id: offer.id, seen: offer.revision, body: { ...offer.body, name } };
  const result = await applyChangeSet(pool, { writes: [write] }, "now");
  if (!("sequence" in result)) throw new Error(JSON.stringify(result));
  return result.sequence;
}

describe("the store of releases", () => {
  it("numbers them from one on, and refuses what changes nothing or was not looked at", async () => {
    const before = await listReleases(pool);
    expect(before.map(({ number }) => number)).toEqual([1]);
    expect(await releaseDraft(pool, await sequenceOf(), "me")).toMatchObject({ refused: "nothing-changed" });
    const seen = await rename("Renamed");
    expect(await releaseDraft(pool, seen - 1, "me")).toEqual({ refused: "draft-moved", sequence: seen });
    const made = await releaseDraft(pool, seen, "me");
    expect(made).toMatchObject({ release: { number: 2, sequence: seen, releasedBy: "me" } });
    expect((await listReleases(pool)).map(({ number }) => number)).toEqual([2, 1]);
    expect((await latestPlan(pool))?.plan.offers.some(({ name }) => name === "Renamed")).toBe(true);
  });

  it("makes one of two that are asked for at once", async () => {
    const seen = await rename("Renamed");
    const results = await Promise.all([1, 2, 3].map(() => releaseDraft(pool, seen, "me")));
    expect(results.filter((result) => "release" in result)).toHaveLength(1);
    expect(results.filter((result) => "refused" in result && result.refused === "nothing-changed")).toHaveLength(2);
  });

  it("has nothing to release while there is no store, and nothing to answer from", async () => {
    await emptyStore(pool);
    expect(await releaseDraft(pool, await sequenceOf(), "me")).toMatchObject({ refused: "empty" });
    expect(await latestRelease(pool)).toBeNull();
    expect(await latestPlan(pool)).toBeNull();
  });

  it("answers from the newest, and says so when what is stored is not what was written", async () => {
    const first = await latestRelease(pool);
    expect(first?.number).toBe(1);
    await releaseDraft(pool, await rename("Renamed"), "me");
    expect((await latestRelease(pool))?.number).toBe(2);
    await releaseDraft(pool, await rename("Again"), "me");
    await pool.query("UPDATE releases SET plan = CONCAT(plan, ' ') WHERE number = 3");
    await expect(latestRelease(pool)).rejects.toThrow(/release 3 is damaged/);
    const text = '{"format":1}';
    const checksum = createHash("sha256").update(text).digest("hex");
    await pool.query("UPDATE releases SET plan = ?, calendars = '{}', checksum = ? WHERE number = 3", [text, checksum]);
    await expect(latestRelease(pool)).rejects.toThrow(/release 3 has the wrong form.*\/store/);
  });

  it("reads what version 0.1.0 released, answers as it did, and keeps the text", async () => {
    const text = await readFile(`${former}/plan.json`, "utf8");
    const checksum = createHash("sha256").update(text).digest("hex");
    await pool.query(
      "INSERT INTO releases (number, sequence, plan, calendars, checksum, released_by, released_at) VALUES (7, 1, ?, '{}', ?, 'then', UTC_TIMESTAMP(3))",
      [text, checksum],
    );
    const release = await latestRelease(pool);
    expect(release?.number).toBe(7);
    const answers: Record<string, { request: QuoteRequest; answer: unknown }> = JSON.parse(
      await readFile(`${former}/answers.json`, "utf8"),
    );
    expect(Object.keys(answers).length).toBeGreaterThan(10);
    for (const { request, answer } of Object.values(answers))
      expect(JSON.stringify(release && quote(release.compiled, request))).toBe(JSON.stringify(answer));
    // Its plan is shown as the newest format says it; the text it was released with stays.
    expect((await latestPlan(pool))?.plan).toEqual(fromFormat1({ ...JSON.parse(text), format: 2 }));
    const [rows] = await pool.query("SELECT plan FROM releases WHERE number = 7");
    expect(rows).toEqual([{ plan: text }]);
  });
});
