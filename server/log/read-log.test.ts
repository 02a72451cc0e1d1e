import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { databaseUrl, inTransaction, openPool } from "../database/pool.ts";
import { emptyStore, loadDemo } from "../demo/load-demo.ts";
import { applyChangeSet } from "../draft/change-set.ts";
import { readDraft } from "../draft/read-draft.ts";
import { claim, giveBack } from "../redemptions/ledger.ts";
import { releaseDraft, switchOffer } from "../releases/make-release.ts";
import { planInForce } from "../releases/releases.ts";
import { writeSettings } from "../settings/settings.ts";
import { FIRST_SETTINGS } from "../settings/settings-schema.ts";
import { type LogLine, readLog } from "./read-log.ts";

const pool = openPool(databaseUrl(), 4);
const log = async (search = "", parts: Parameters<typeof readLog>[1]["parts"] = ["changes", "releases", "claims"]) =>
  (await readLog(pool, { parts, search, before: undefined })).lines;
const who = (lines: readonly LogLine[]) => lines.map(({ part, by }) => `${part} ${by}`);

beforeAll(async () => {
  await emptyStore(pool);
  await pool.query("DELETE FROM events");
  await loadDemo(pool, "demo");
});
afterAll(async () => {
  await emptyStore(pool);
  await pool.query("DELETE FROM settings");
  await pool.end();
});

/** Renames a zone, as somebody. */
async function rename(id: string, name: string, by: string): Promise<number> {
  const { entities } = await readDraft(pool);
  const zone = entities.find((one) => one.kind === "zone" && one.id === id);
  if (zone?.kind !== "zone") throw new Error(`no zone ${id}`);
  const write = { kind: "zone" as const, id, seen: zone.revision, body: { ...zone.body, name } };
  const came = await applyChangeSet(pool, { writes: [write] }, by);
  if (!("sequence" in came)) throw new Error("not renamed");
  return came.sequence;
}

describe("the log", () => {
  it("names who changed, released, claimed and gave back, the newest first, and is searched by any of it", async () => {
    const sequence = await rename("azores", "Nine islands", "Ana Reis");
    await releaseDraft(pool, sequence, "Bo Lind", { note: "the islands' name" });
    const inForce = await planInForce(pool);
    if (!inForce) throw new Error("nothing is in force");
    await claim(pool, inForce.plan, { order: "o-77", offers: ["newsletter"], shopper: "s-1" }, "key Paper shop");
    await giveBack(pool, "o-77");
    expect(
      who(await log())
        .slice(0, 4)
        .sort(),
    ).toEqual(["changes Ana Reis", "claims key Paper shop", "claims key Paper shop", "releases Bo Lind"]);
    expect(who(await log("nine ISL"))).toEqual(["changes Ana Reis"]);
    expect(who(await log("azores"))).toEqual(["changes Ana Reis", "changes demo"]);
    expect(who(await log("islands' name"))).toEqual(["releases Bo Lind"]);
    expect(who(await log("o-77"))).toEqual(["claims key Paper shop", "claims key Paper shop"]);
    expect(await log("100%")).toEqual([]);
    expect(await log("_")).toEqual([]);
    const [change] = await log("Nine isl");
    expect(change?.part === "changes" && change.changes).toMatchObject([
      { kind: "zone", id: "azores", before: { name: "Azores" }, after: { name: "Nine islands" } },
    ]);
    // The demo came in one change-set of more things than are told: what is searched for is among them.
    const all = (await log("demo", ["changes"])).at(-1);
    const { entities } = await readDraft(pool);
    expect(all?.part === "changes" && [all.changes.length, all.more]).toEqual([40, entities.length - 40]);
    const found = (await log("uk-highlands", ["changes"])).at(-1);
    expect(found?.part === "changes" && found.changes[0]?.id).toBe("uk-highlands");
    // Who had it is nobody's to find by the log.
    expect(JSON.stringify(await log())).not.toContain("s-1");
  });

  it("is read page by page without losing a line or telling one twice", async () => {
    const made: number[] = [];
    for (let i = 0; i < 120; i += 1) made.push(await rename("azores", `Islands ${i}`, "Cleo Page"));
    const seen: number[] = [];
    let before: string | undefined;
    for (let hasMore = true; hasMore; ) {
      const page = await readLog(pool, { parts: ["changes"], search: "cleo", before });
      seen.push(...page.lines.flatMap((line) => (line.part === "changes" ? [line.sequence] : [])));
      ({ hasMore } = page);
      before = page.lines.at(-1)?.at;
    }
    expect(seen).toEqual(made.reverse());
  });
});

describe("a release by two people", () => {
  it("is asked for by one and made, as it was asked for, by another; the draft's next step makes it nobody's wish", async () => {
    await inTransaction(pool, (connection) => writeSettings(connection, { ...FIRST_SETTINGS, secondPerson: true }));
    const sequence = await rename("azores", "Azores again", "Ana Reis");
    const asked = await releaseDraft(pool, sequence, "Ana Reis", { note: "as agreed" });
    expect(asked).toMatchObject({ asked: { by: "Ana Reis", note: "as agreed" } });
    // Asking twice is still one person.
    expect(await releaseDraft(pool, sequence, "Ana Reis", { note: "as agreed" })).toHaveProperty("asked");
    const later = await rename("azores", "Azores, once more", "Ana Reis");
    expect(await releaseDraft(pool, later, "Bo Lind", {})).toMatchObject({ asked: { by: "Bo Lind" } });
    expect(await releaseDraft(pool, later, "Ana Reis", { note: "mine" })).toMatchObject({
      release: { releasedBy: "Ana Reis", askedBy: "Bo Lind", note: "" },
    });
    // Off waits for nobody; on is more than somebody may give alone.
    expect(await switchOffer(pool, "free-standard", false, "Ana Reis")).toHaveProperty("release");
    expect(await switchOffer(pool, "free-standard", true, "Ana Reis")).toMatchObject({ refused: "second-person" });
  });

  it("is made once, however many are second at once", async () => {
    const sequence = await rename("azores", "Azores at last", "Ana Reis");
    await releaseDraft(pool, sequence, "Ana Reis");
    const came = await Promise.all(["Bo", "Cleo", "Dan"].map((name) => releaseDraft(pool, sequence, name)));
    expect(came.filter((one) => "release" in one)).toHaveLength(1);
  });
});
