import { readFile } from "node:fs/promises";
import { fileURLToPath } from "node:url";
import { afterAll, describe, expect, it } from "vitest";
import { type Entity, entitiesOf, entityKey } from "../../core/plan/entities.ts";
import { checkPlan } from "../../core/validation/documents.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore } from "../demo/load-demo.ts";
import { checkWholePlan } from "../validation/whole-plan.ts";
import { applyChangeSet } from "./change-set.ts";
import { readDraft } from "./read-draft.ts";
import { upgradeDraft } from "./upgrade-draft.ts";

const pool = openPool(databaseUrl(), 3);
afterAll(() => pool.end());
const former = fileURLToPath(new URL("../../core/tests/former/plan.json", import.meta.url));

const byKey = (entities: readonly Entity[]) => new Map(entities.map((entity) => [entityKey(entity), entity.body]));

describe("a draft written in an older format", () => {
  it("is brought to the newest once, logged as a change of its own, and says what its file would say", async () => {
    await emptyStore(pool);
    const text = await readFile(former, "utf8");
    const asItStood = checkWholePlan({ ...JSON.parse(text), format: 2 });
    const wanted = checkPlan(JSON.parse(text));
    if ("problems" in asItStood || "problems" in wanted) throw new Error("the former plan is not sound");
    const writes = entitiesOf(asItStood.value).map(({ kind, id, body }) => ({ kind, id, seen: 0, body }));
    const written = await applyChangeSet(pool, { writes }, "then");
    const sequence = "sequence" in written ? written.sequence : 0;
    await pool.query("UPDATE draft_head SET format = 1");

    const count = await upgradeDraft(pool);
    expect(count).toBeGreaterThan(2);
    const draft = await readDraft(pool);
    expect(byKey(draft.entities)).toEqual(byKey(entitiesOf(wanted.value)));
    expect(draft.sequence).toBe(sequence + 1);
    expect(draft.entities.filter(({ revision }) => revision === sequence + 1)).toHaveLength(count);
    const [log] = await pool.query("SELECT made_by FROM change_sets ORDER BY sequence DESC LIMIT 1");
    expect(log).toEqual([{ made_by: "plan format 2" }]);

    expect(await upgradeDraft(pool)).toBe(0);
    expect((await readDraft(pool)).sequence).toBe(sequence + 1);
  });

  it("that is empty is in the newest format without a change", async () => {
    await emptyStore(pool);
    await pool.query("UPDATE draft_head SET format = 1");
    expect(await upgradeDraft(pool)).toBe(0);
    expect((await readDraft(pool)).sequence).toBe(0);
    expect((await pool.query("SELECT format FROM draft_head"))[0]).toEqual([{ format: 2 }]);
  });
});
