import { createHash } from "node:crypto";
import { readFile } from "node:fs/promises";
import { fileURLToPath } from "node:url";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { runChecks } from "../../core/checks/run-checks.ts";
import { planOf } from "../../core/plan/entities.ts";
import { quote } from "../../core/quote/quote.ts";
import { compile } from "../../core/tariff/compile.ts";
import { inEnglish } from "../../core/tests/in-english.ts";
import { checkPlan, checkQuoteRequest } from "../../core/validation/documents.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore, loadDemo } from "../demo/load-demo.ts";
import { applyChangeSet } from "../draft/change-set.ts";
import { readDraft } from "../draft/read-draft.ts";
import { checkWholePlan } from "../validation/whole-plan.ts";
import { releaseDraft } from "./make-release.ts";
import { releaseInForce } from "./releases.ts";

// Rules that came later: what was released before goes on answering, edits and new releases are refused, and a finding says so.

const pool = openPool(databaseUrl(), 3);
const demo = fileURLToPath(new URL("../../demo", import.meta.url));
const text = await readFile(`${demo}/plan.json`, "utf8");
const requests = await Promise.all(
  ["seville-five-pieces", "below-goal", "madeira"].map(async (name) => {
    const checked = checkQuoteRequest(JSON.parse(await readFile(`${demo}/requests/${name}.json`, "utf8")));
    if ("problems" in checked) throw new Error(name);
    return checked.value;
  }),
);

beforeEach(async () => {
  await emptyStore(pool);
  await loadDemo(pool, demo);
});
afterAll(() => pool.end());

// biome-ignore lint/suspicious/noExplicitAny: plans are broken on purpose, anywhere
type Loose = any;
const offer = (plan: Loose, id: string) => plan.offers.find((one: Loose) => one.id === id);
const nested = (depth: number) =>
  Array.from({ length: depth }).reduce<object>((of) => ({ kind: "not", of }), { kind: "signed-in" });

/** One plan for each rule that is newer than the plan. */
const BROKEN: readonly {
  rule: string;
  kind?: "option";
  id: string;
  says: RegExp;
  edit: (plan: Loose) => void;
}[] = [
  {
    rule: "no bands by weight times volume",
    kind: "option",
    id: "express",
    says: /weight times volume is not counted any more/,
    edit: (plan) => {
      const option = plan.options.find((one: Loose) => one.id === "express");
      const weightVolume = { weight: { value: "10", unit: "kg" }, volume: { value: "50", unit: "dm3" } };
      const price = { byCurrency: { EUR: "30" } };
      const edges = [{ edge: "from", at: { weightVolume }, price }];
      option.charge = { kind: "bands", by: { kind: "weight-volume" }, first: { byCurrency: { EUR: "12" } }, edges };
    },
  },
  {
    rule: "conditions no deeper than twenty",
    id: "notebooks",
    says: /lies in more than 20 others/,
    edit: (plan) => Object.assign(offer(plan, "notebooks"), { when: nested(40) }),
  },
  {
    rule: "no deeper with the saved conditions they name",
    id: "notebooks",
    says: /with the saved conditions it names/,
    edit: (plan) => {
      for (let i = 0; i < 24; i += 1)
        plan.conditions.push({
          id: `c${i}`,
          name: "C",
          when: i === 0 ? { kind: "signed-in" } : { kind: "not", of: { kind: "saved", id: `c${i - 1}` } },
        });
      offer(plan, "notebooks").when = { kind: "saved", id: "c23" };
    },
  },
  {
    rule: "texts that can be said",
    id: "notebooks",
    says: /leave the style of the number out/,
    edit: (plan) => {
      offer(plan, "notebooks").steps[0].wording["on-the-way"].en = "{remaining, number, ::currency/nope} more";
    },
  },
  {
    rule: "no text that tells the code",
    id: "newsletter",
    says: /tells the code/,
    edit: (plan) => {
      offer(plan, "newsletter").steps[0].wording["code-missing"] = { en: "Enter PaperPost" };
    },
  },
  {
    rule: "no more than eight offers picked to stack with",
    id: "notebooks",
    says: /names more than 8 offers/,
    edit: (plan) => {
      const copies = Array.from({ length: 9 }, (_, i) => ({ ...offer(plan, "notebooks"), id: `copy${i}`, on: false }));
      plan.offers.push(...copies.map((copy, i) => ({ ...copy, position: 100 + i })));
      offer(plan, "notebooks").stacking = { kind: "with", offers: copies.map(({ id }) => id) };
    },
  },
  {
    rule: "no option at its own price",
    id: "advent-weekend",
    says: /at its own price/,
    edit: (plan) => {
      offer(plan, "advent-weekend").steps[0].reward.of = "express";
    },
  },
  {
    rule: "no reward of nothing",
    id: "notebooks",
    says: /gives nothing/,
    edit: (plan) => {
      offer(plan, "notebooks").steps[0].reward.percent = "0";
    },
  },
  {
    rule: "no blank names",
    id: "newsletter",
    says: /is blank/,
    edit: (plan) => {
      offer(plan, "newsletter").steps[0].trigger.codes.push(" ");
    },
  },
];

describe("a release made before a rule", () => {
  it.each(BROKEN)("goes on answering: $rule", async ({ edit, kind: which, id, says }) => {
    const kind = which ?? "offer";
    const older = JSON.parse(text);
    edit(older);
    const checked = checkPlan(older);
    if ("problems" in checked) throw new Error(JSON.stringify(checked.problems));
    const plan = checked.value;
    // As it was released and drafted then.
    const snapshot = JSON.stringify(plan);
    const checksum = createHash("sha256").update(snapshot).digest("hex");
    await pool.query(
      "INSERT INTO releases (number, sequence, plan, calendars, checksum, released_by, released_at) VALUES (2, 1, ?, '{}', ?, 'then', UTC_TIMESTAMP(3))",
      [snapshot, checksum],
    );
    for (const one of [
      ...plan.offers.map((body) => ({ kind: "offer", body })),
      ...plan.options.map((body) => ({ kind: "option", body })),
      ...(plan.conditions ?? []).map((body) => ({ kind: "condition", body })),
    ])
      await pool.query(
        "INSERT INTO draft_entities (kind, id, position, body, revision) VALUES (?, ?, 0, ?, 1) ON DUPLICATE KEY UPDATE body = VALUES(body)",
        [one.kind, one.body.id, JSON.stringify(one.body)],
      );

    const release = await releaseInForce(pool);
    expect(release?.number).toBe(2);
    for (const request of requests) expect(release && quote(release.compiled, request)).toHaveProperty("quote");

    const draft = await readDraft(pool);
    expect(draft.unreadable).toEqual([]);
    const refused = await releaseDraft(pool, draft.sequence, "now");
    expect(refused).toMatchObject({ refused: "unsound" });
    expect(JSON.stringify(inEnglish(refused))).toMatch(says);
    expect(JSON.stringify(inEnglish(checkWholePlan(older)))).toMatch(says);

    // An edit beside it, and one of the very offer that breaks nothing new, are taken; breaking it anew is not.
    const found = draft.entities.find((entity) => entity.kind === kind && entity.id === id);
    if (!found) throw new Error(`the draft has no ${id}`);
    const write = (body: object, seen: number) => applyChangeSet(pool, { writes: [{ kind, id, seen, body }] }, "now");
    const name = kind === "offer" ? "Renamed" : { en: "Renamed" };
    const renamed = await write({ ...found.body, name }, found.revision);
    expect(renamed).toHaveProperty("sequence");
    const sound = planOf((await readDraft(pool)).entities);
    const result = sound && compile(sound);
    if (!result || "problems" in result) throw new Error("the older draft does not compile");
    const around = {
      at: Date.UTC(2026, 10, 24),
      products: [],
      uses: {},
      addresses: [],
    };
    const codes = [...runChecks(result.compiled, around)].flatMap(({ findings }) => findings.map(({ code }) => code));
    expect(codes).toContain("breaks-a-rule");

    const healthy = JSON.parse(text)[`${kind}s`].find((one: { id: string }) => one.id === id);
    const sequence = "sequence" in renamed ? renamed.sequence : 0;
    const mended = await write(healthy, sequence);
    expect(mended).toHaveProperty("sequence");
    const again = await write(found.body, "sequence" in mended ? mended.sequence : 0);
    expect(JSON.stringify(inEnglish(again))).toMatch(says);
  });
});
