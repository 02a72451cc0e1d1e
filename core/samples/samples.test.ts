import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { english } from "../phrases/speak.ts";
import type { Plan } from "../plan/plan.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { inEnglish } from "../tests/in-english.ts";
import { edited } from "../tests/plan-edits.ts";
import { boundarySamples, edgeWalk } from "./boundary-samples.ts";
import { runSample } from "./compare.ts";

const plan: Plan = JSON.parse(readFileSync("demo/plan.json", "utf8"));
const compiled = compiledPlan(plan);
const AT = Date.UTC(2026, 10, 24, 12);

describe("samples for every edge", () => {
  const generated = boundarySamples(compiled, AT);

  it("see what they are expected to see, until an edge is moved by the smallest unit", () => {
    process.stdout.write(`edges covered: ${generated.covered}, left: ${generated.left.length}\n`);
    expect(generated.covered).toBeGreaterThan(40);
    expect(generated.left.every(({ why }) => english(why) !== "")).toBe(true);
    for (const { sample } of generated.samples) expect(runSample(compiled, sample).differences).toEqual([]);
    const moved = compiledPlan(
      edited(plan, {
        name: "a cent more",
        edit: (draft) => {
          draft.offers[0].steps[0].trigger.goal.at.byCurrency.EUR = "45.01";
        },
      }),
    );
    const fallen = generated.samples.filter(({ sample }) => runSample(moved, sample).differences.length > 0);
    expect(fallen.map(({ edge, side }) => `${english(edge)} ${side}`)).toContain(
      "goal of step 1 of Free standard delivery in Mainland Portugal, EUR at",
    );
    const at = fallen.find(({ side, edge }) => side === "at" && english(edge).includes("Free standard"));
    expect(inEnglish(at && runSample(moved, at.sample).differences)).toContainEqual({
      about: "price of Standard (Mainland Portugal)",
      expected: "free",
      found: "€4.90",
    });
  });

  it("walk along an offer: not free just below the goal, free at it and above", () => {
    const offer = plan.offers.find(({ id }) => id === "free-standard");
    if (!offer) throw new Error("no such offer");
    const { rows } = edgeWalk(compiled, offer, AT);
    expect(rows.map(({ side, seen }) => [side, seen?.options.standard])).toEqual([
      ["below", 490],
      ["at", 0],
      ["above", 0],
    ]);
  });
});
