import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { PhraseValue } from "../phrases/phrase.ts";
import { ENGLISH, english, speakValue } from "../phrases/speak.ts";
import { type Entity, entitiesOf, entityKey } from "../plan/entities.ts";
import type { Plan } from "../plan/plan.ts";
import { anyCase } from "../tests/arbitrary.ts";
import { BREAKING, edited } from "../tests/plan-edits.ts";
import { changeLines } from "./change-lines.ts";

const demo: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));

/** Every leaf of a value with the way to it; parts of lists by their ids, else by their places. */
function leavesOf(value: unknown, path: string[] = []): Map<string, string> {
  if (Array.isArray(value) && value.length > 0 && value.every((one) => typeof one === "object" && one !== null)) {
    const ids = value.map((one: { id?: unknown }, i) => (typeof one.id === "string" ? one.id : `#${i}`));
    const keys =
      new Set(ids).size === ids.length && !ids.some((id) => id.startsWith("#")) ? ids : ids.map((_, i) => `#${i}`);
    return new Map(value.flatMap((one, i) => [...leavesOf(one, [...path, keys[i] ?? ""])]));
  }
  if (typeof value === "object" && value !== null && !Array.isArray(value) && Object.keys(value).length > 0)
    return new Map(Object.entries(value).flatMap(([key, one]) => [...leavesOf(one, [...path, key])]));
  return new Map([[JSON.stringify(path), JSON.stringify(value)]]);
}

/** Whether one of two ways leads on from the other. */
const isAbout = (one: readonly string[], other: readonly string[]): boolean =>
  one.slice(0, other.length).every((part, i) => other[i] === part);

/** Compares two plans both ways: a line for each leaf that differs, and no line for one that does not. */
function compared(was: Plan, now: Plan): { leaves: number; lines: number } {
  const [before, after] = [was, now].map((plan) => new Map(entitiesOf(plan).map((one) => [entityKey(one), one])));
  const tally = { leaves: 0, lines: 0 };
  for (const key of new Set([...(before?.keys() ?? []), ...(after?.keys() ?? [])])) {
    const [old, fresh]: (Entity | null)[] = [before?.get(key) ?? null, after?.get(key) ?? null];
    const lines = changeLines(old ?? null, fresh ?? null, was, now);
    const [oldLeaves, newLeaves] = [leavesOf(old?.body), leavesOf(fresh?.body)];
    const differing = [...new Set([...oldLeaves.keys(), ...newLeaves.keys()])].filter(
      (leaf) => oldLeaves.get(leaf) !== newLeaves.get(leaf),
    );
    const saysNothing = lines.filter(
      ({ before: said, after: then, what }) => spoken(said) === spoken(then) || english(what) === "",
    );
    expect(saysNothing).toEqual([]);
    const paths = differing.map((leaf): string[] => JSON.parse(leaf));
    const unsaid = paths.filter((path) => !lines.some((line) => isAbout(line.path, path)));
    expect(unsaid).toEqual([]);
    const unchanged = lines.filter((line) => !paths.some((path) => isAbout(line.path, path)));
    expect(unchanged.map(({ what }) => what)).toEqual([]);
    tally.leaves += differing.length;
    tally.lines += lines.length;
  }
  return tally;
}

const spoken = (side: PhraseValue | null) => (side === null ? null : speakValue(side, ENGLISH));

describe("the lines of a review", () => {
  it("are there for every leaf that differs between two random plans, and for nothing else", () => {
    const tally = { leaves: 0, lines: 0, pairs: 0 };
    fc.assert(
      fc.property(anyCase(9000), anyCase(9000), (one, other) => {
        // As they come from a file.
        const [was, now]: [Plan, Plan] = JSON.parse(JSON.stringify([one.plan, other.plan]));
        const { leaves, lines } = compared(was, now);
        tally.leaves += leaves;
        tally.lines += lines;
        tally.pairs += 1;
        expect(compared(was, was)).toEqual({ leaves: 0, lines: 0 });
      }),
      { numRuns: 200, endOnFailure: true },
    );
    process.stdout.write(`review lines: ${JSON.stringify(tally)}\n`);
    expect(tally.leaves).toBeGreaterThan(5000);
  });

  it.each(BREAKING)("tell that: $name", (edit) => {
    const { leaves, lines } = compared(demo, edited(demo, edit));
    expect(lines).toBeGreaterThan(0);
    expect(leaves).toBeGreaterThan(0);
  });

  it("read as a person would say it", () => {
    const now = structuredClone(demo);
    const standard = now.options.find(({ id }) => id === "standard");
    if (standard?.charge.kind !== "flat") throw new Error("the demo's standard is not flat");
    standard.charge.amount = { byCurrency: { EUR: "5.50" } };
    standard.zones = ["portugal-mainland", "madeira"];
    const key = ({ id }: { id: string }) => id === "standard";
    const before = entitiesOf(demo).find(key) ?? null;
    const after = entitiesOf(now).find(key) ?? null;
    const lines = changeLines(before, after, demo, now).map(({ what, before: was, after: then }) =>
      [what, was, then].map(spoken),
    );
    expect(lines).toEqual([
      ["zones", "Mainland Portugal", "Mainland Portugal, Madeira"],
      ["charge · amount · EUR", "€4.90", "€5.50"],
    ]);
  });
});
