import { createHash } from "node:crypto";
import { readFile } from "node:fs/promises";
import { fileURLToPath } from "node:url";
import * as fc from "fast-check";
import type { RowDataPacket } from "mysql2/promise";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { fromFormat1 } from "../../core/plan/former-formats.ts";
import { quote } from "../../core/quote/quote.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore, loadDemo } from "../demo/load-demo.ts";
import { applyChangeSet } from "../draft/change-set.ts";
import { readDraft } from "../draft/read-draft.ts";
import { callOff, freezeAnew, releaseDraft, remakeWithOffer, switchOffer } from "./make-release.ts";
import { listReleases, planInForce, readRelease, releaseInForce } from "./releases.ts";

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
    expect((await planInForce(pool))?.plan.offers.some(({ name }) => name === "Renamed")).toBe(true);
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
    expect(await releaseInForce(pool)).toBeNull();
    expect(await planInForce(pool)).toBeNull();
  });

  it("answers from the newest, and says so when what is stored is not what was written", async () => {
    const first = await releaseInForce(pool);
    expect(first?.number).toBe(1);
    await releaseDraft(pool, await rename("Renamed"), "me");
    expect((await releaseInForce(pool))?.number).toBe(2);
    await releaseDraft(pool, await rename("Again"), "me");
    await pool.query("UPDATE releases SET plan = CONCAT(plan, ' ') WHERE number = 3");
    await expect(releaseInForce(pool)).rejects.toThrow(/release 3 is damaged/);
    const text = '{"format":1}';
    const checksum = createHash("sha256").update(text).digest("hex");
    await pool.query("UPDATE releases SET plan = ?, calendars = '{}', checksum = ? WHERE number = 3", [text, checksum]);
    await expect(releaseInForce(pool)).rejects.toThrow(/release 3 has the wrong form.*\/store/);
  });

  it("reads what version 0.1.0 released, answers as it did, and keeps the text", async () => {
    const text = await readFile(`${former}/plan.json`, "utf8");
    const checksum = createHash("sha256").update(text).digest("hex");
    await pool.query(
      "INSERT INTO releases (number, sequence, plan, calendars, checksum, released_by, released_at) VALUES (7, 1, ?, '{}', ?, 'then', UTC_TIMESTAMP(3))",
      [text, checksum],
    );
    const release = await releaseInForce(pool);
    expect(release?.number).toBe(7);
    const answers: Record<string, { request: QuoteRequest; answer: unknown }> = JSON.parse(
      await readFile(`${former}/answers.json`, "utf8"),
    );
    expect(Object.keys(answers).length).toBeGreaterThan(10);
    for (const { request, answer } of Object.values(answers))
      expect(JSON.stringify(release && quote(release.compiled, request))).toBe(JSON.stringify(answer));
    // Its plan is shown as the newest format says it; the text it was released with stays.
    expect((await planInForce(pool))?.plan).toEqual(fromFormat1({ ...JSON.parse(text), format: 2 }));
    const [rows] = await pool.query("SELECT plan FROM releases WHERE number = 7");
    expect(rows).toEqual([{ plan: text }]);
  });
});

describe("a release from a moment on", () => {
  const clock = openPool(databaseUrl(), 1);
  afterAll(() => clock.end());
  /** The release in force when the database's clock shows a moment. */
  async function inForceAt(seconds: number): Promise<number | null> {
    await clock.query("SET timestamp = ?", [seconds]);
    return (await planInForce(clock))?.release.number ?? null;
  }

  it("holds by the latest moment that has passed, then by the higher number; none that was called off", async () => {
    const [[demoRelease]] = await pool.query<(RowDataPacket & { plan: string; calendars: string; checksum: string })[]>(
      "SELECT plan, calendars, checksum FROM releases",
    );
    const second = fc.integer({ min: 0, max: 6 });
    const drawn = fc.array(fc.record({ made: second, moment: fc.option(second), calledOff: fc.boolean() }), {
      maxLength: 6,
    });
    let waited = 0;
    await fc.assert(
      fc.asyncProperty(drawn, second, async (releases, now) => {
        await pool.query("DELETE FROM releases");
        const base = 1_800_000_000;
        const time = (seconds: number) => new Date((base + seconds) * 1000);
        for (const [i, { made, moment, calledOff }] of releases.entries())
          await pool.query(
            "INSERT INTO releases (number, sequence, plan, calendars, checksum, released_by, released_at, moment, called_off_at) VALUES (?, 1, ?, ?, ?, 'me', ?, ?, ?)",
            [
              ...[i + 1, demoRelease?.plan, demoRelease?.calendars, demoRelease?.checksum, time(made)],
              ...[moment === null ? null : time(moment), calledOff ? time(made) : null],
            ],
          );
        // By the rule as it is written, one after the other.
        let expected: { number: number; from: number } | null = null;
        for (const [i, { made, moment, calledOff }] of releases.entries()) {
          const from = moment ?? made;
          if (calledOff) continue;
          if (from > now) waited += 1;
          else if (!expected || from >= expected.from) expected = { number: i + 1, from };
        }
        expect(await inForceAt(base + now)).toBe(expected?.number ?? null);
      }),
      { numRuns: 60 },
    );
    expect(waited).toBeGreaterThan(20);
  });

  it("waits, is told beside the draft, can be called off, and is refused when its moment has passed", async () => {
    const moment = new Date(Date.now() + 3_600_000).toISOString();
    const passed = new Date(Date.now() - 60_000).toISOString();
    const seen = await rename("Renamed");
    expect(await releaseDraft(pool, seen, "me", { moment: passed })).toMatchObject({ refused: "moment-passed" });
    const made = await releaseDraft(pool, seen, "me", { moment, note: "For the weekend" });
    expect(made).toMatchObject({ release: { number: 2, moment, state: "waiting", note: "For the weekend" } });
    expect((await releaseInForce(pool))?.number).toBe(1);
    expect(await readDraft(pool)).toMatchObject({
      release: { number: 1 },
      waiting: [{ number: 2, moment, isDraft: true }],
      changes: [{ kind: "offer" }],
    });
    // The same again at a later moment changes nothing.
    const later = new Date(Date.now() + 7_200_000).toISOString();
    expect(await releaseDraft(pool, seen, "me", { moment: later })).toMatchObject({ refused: "nothing-changed" });
    expect(await inForceAt(Date.now() / 1000 + 3700)).toBe(2);
    expect(await callOff(pool, 2, "me")).toMatchObject({ release: { number: 2, state: "called-off" } });
    expect(await callOff(pool, 2, "me")).toMatchObject({ refused: "not-waiting" });
    expect(await inForceAt(Date.now() / 1000 + 3700)).toBe(1);
    expect((await readRelease(pool, 2))?.plan.offers.some(({ name }) => name === "Renamed")).toBe(true);
  });

  it("is made anew with newer rates at the same moment; the former stays readable", async () => {
    const moment = new Date(Date.now() + 3_600_000).toISOString();
    await releaseDraft(pool, await rename("Renamed"), "me", { moment });
    const { entities } = await readDraft(pool);
    const rates = entities.find(({ kind }) => kind === "rates");
    if (rates?.kind !== "rates") throw new Error("the demo has no rates");
    const days = rates.body.days.map((day) => ({ ...day, rates: { ...day.rates, USD: "1.5" } }));
    const body = { ...rates.body, days };
    await applyChangeSet(pool, { writes: [{ kind: "rates", id: rates.id, seen: rates.revision, body }] }, "now");
    await rename("Not to be released yet");
    expect(await freezeAnew(pool, 2, "me")).toMatchObject({ release: { number: 3, moment, state: "waiting" } });
    expect((await readRelease(pool, 2))?.release.state).toBe("called-off");
    const anew = await readRelease(pool, 3);
    expect(anew?.plan.rates?.find(({ id }) => id === rates.id)?.days[0]?.rates).toMatchObject({ USD: "1.5" });
    expect(anew?.plan.offers.map(({ name }) => name)).toContain("Renamed");
    expect(await freezeAnew(pool, 3, "me")).toMatchObject({ refused: "nothing-changed" });
    expect((await readRelease(pool, 3))?.release.state).toBe("waiting");
  });

  it("leaves a single offer to be switched off and on at once, the draft's other work unreleased", async () => {
    const before = await planInForce(pool);
    const offer = "free-standard";
    await rename("Other work");
    const moment = new Date(Date.now() + 3_600_000).toISOString();
    await releaseDraft(pool, await sequenceOf(), "me", { moment });
    expect(await switchOffer(pool, "nowhere", false, "me")).toMatchObject({ refused: "no-such-offer" });
    expect(await switchOffer(pool, offer, false, "me")).toMatchObject({ release: { number: 3, state: "in-force" } });
    const off = await planInForce(pool);
    expect(off?.plan.offers.filter(({ on }) => !on).map(({ id }) => id)).toEqual([offer]);
    expect(off?.plan.offers.some(({ name }) => name === "Other work")).toBe(false);
    // What waits would bring it back: it is told, and made anew without it.
    expect((await readDraft(pool)).waiting).toMatchObject([{ number: 2, offersOn: expect.arrayContaining([offer]) }]);
    expect(await remakeWithOffer(pool, 2, "me", offer, false)).toMatchObject({ release: { number: 4, moment } });
    const anew = await readRelease(pool, 4);
    expect(anew?.plan.offers.find(({ id }) => id === offer)?.on).toBe(false);
    expect(anew?.plan.offers.some(({ name }) => name === "Other work")).toBe(true);
    expect(await switchOffer(pool, offer, true, "me")).toMatchObject({ release: { number: 5, state: "in-force" } });
    expect((await planInForce(pool))?.plan).toEqual(before?.plan);
  });
});
