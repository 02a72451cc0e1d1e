import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { CONDITION_KINDS } from "../../../core/conditions/registry.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { compile } from "../../../core/tariff/compile.ts";
import { checkPlan } from "../../../core/validation/documents.ts";
import { examplesFor } from "./examples.ts";

function demo(): Plan {
  const checked = checkPlan(JSON.parse(readFileSync(new URL("../../../demo/plan.json", import.meta.url), "utf8")));
  if ("problems" in checked) throw new Error(JSON.stringify(checked.problems));
  return checked.value;
}

/** A small store far from the one that the examples were written for. */
function elsewhere(): Plan {
  const plan = demo();
  const [zone] = plan.zones;
  const [market] = plan.markets;
  if (!zone || !market) throw new Error("the demo has no zone");
  return {
    ...plan,
    store: { ...plan.store, accepted: [] },
    markets: [{ ...market, currencies: ["JPY"] }],
    zones: [{ ...zone, market: market.id, destinations: [{ country: "JP" }] }],
    options: [],
    offers: [],
    locations: [],
    conditions: [],
  };
}

describe("what a clause starts as", () => {
  it("is there for every kind, is a sound condition of the store, and one that can be kept", () => {
    const plan = demo();
    const examples = examplesFor(plan);
    expect(examples.map(({ kind }) => kind)).toEqual([...CONDITION_KINDS.keys()]);
    for (const when of examples) {
      const with_ = { ...plan, conditions: [...(plan.conditions ?? []), { id: "tried", name: "Tried", when }] };
      const checked = checkPlan(with_);
      expect("problems" in checked ? checked.problems : [], when.kind).toEqual([]);
      const compiled = compile(with_);
      expect("problems" in compiled ? compiled.problems : [], when.kind).toEqual([]);
    }
  });

  it("is about the store's own places and currencies, and left out where the store has nothing for it", () => {
    const examples = new Map(examplesFor(elsewhere()).map((example) => [example.kind, example]));
    expect(examples.get("country")).toEqual({ kind: "country", countries: ["JP"] });
    expect(examples.get("currency")).toEqual({ kind: "currency", currencies: ["JPY"] });
    expect(JSON.stringify([examples.get("value"), examples.get("total-spent")])).not.toContain("EUR");
    expect(examples.has("distance")).toBe(false);
  });
});
