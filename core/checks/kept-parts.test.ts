import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Plan } from "../plan/plan.ts";
import { compile } from "../tariff/compile.ts";
import { checkPlan } from "../validation/documents.ts";
import { CheckMemory, KeptParts } from "./kept-parts.ts";
import { runChecks } from "./run-checks.ts";

const demo = checkPlan(JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8")));
if ("problems" in demo) throw new Error("the demo is no plan");

const around = { at: Date.UTC(2026, 10, 24, 12), products: [], uses: {}, addresses: [] };

function found(plan: Plan, memory?: CheckMemory): string[] | null {
  const result = compile(plan);
  if ("problems" in result) return null;
  return [...runChecks(result.compiled, around, memory)].flatMap(({ findings }) =>
    findings.map((one) => JSON.stringify(one)),
  );
}

/** One of a list in place of itself. */
const swapped = <T>(list: readonly T[], at: number, by: (one: T) => T): T[] =>
  list.map((one, i) => (i === at % list.length ? by(one) : one));

/** Edits of every kind of thing that parts of checks are made of; some leave a plan that does not compile. */
const EDITS: readonly ((plan: Plan, n: number) => Plan)[] = [
  (plan, n) => ({ ...plan, offers: swapped(plan.offers, n, (one) => ({ ...one, on: !one.on })) }),
  (plan, n) => ({ ...plan, offers: swapped(plan.offers, n, (one) => ({ ...one, zones: one.zones.slice(0, n % 3) })) }),
  (plan, n) => ({
    ...plan,
    offers: swapped(plan.offers, n, (one) => ({ ...one, when: { kind: "items", is: "less-than", count: n % 4 } })),
  }),
  (plan, n) => ({
    ...plan,
    options: swapped(plan.options, n, (one) => ({
      ...one,
      charge: { kind: "flat", amount: { byCurrency: { EUR: n % 2 ? "0" : "99.00" } } },
    })),
  }),
  (plan, n) => ({ ...plan, options: swapped(plan.options, n, (one) => ({ ...one, on: one.on === false })) }),
  (plan, n) => ({
    ...plan,
    options: swapped(plan.options, n, (one) => ({ ...one, when: { kind: "orders", is: "at-least", count: n % 5 } })),
  }),
  (plan, n) => ({ ...plan, zones: swapped(plan.zones, n, (one) => ({ ...one, standardTaxRate: String(n % 25) })) }),
  (plan, n) => ({ ...plan, zones: swapped(plan.zones, n, (one) => ({ ...one, on: one.on === false })) }),
  (plan, n) => ({
    ...plan,
    conditions: swapped(plan.conditions ?? [], n, (one) => ({
      ...one,
      when: { kind: "items", is: "at-least", count: n % 2 },
    })),
  }),
  (plan, n) => ({
    ...plan,
    store: { ...plan.store, chosenAtFirst: { rule: n % 2 ? "cheapest" : "first" } },
  }),
  (plan) => ({ ...plan, store: { ...plan.store, accepted: [] } }),
];

describe("what checks keep from run to run", () => {
  it("finds after any edits what a run that knows nothing finds", () => {
    let compiled = 0;
    const edits = fc.array(fc.tuple(fc.nat(EDITS.length - 1), fc.nat(100)), { minLength: 1, maxLength: 3 });
    const memory = new CheckMemory();
    expect(found(demo.value, memory)).toEqual(found(demo.value));
    fc.assert(
      fc.property(edits, (drawn) => {
        // From the demo again and again: what was kept of another plan is what must not be taken.
        const plan = drawn.reduce((one, [which, n]) => EDITS[which]?.(one, n) ?? one, demo.value);
        const fresh = found(plan);
        if (fresh === null) return;
        compiled += 1;
        expect(found(plan, memory)).toEqual(fresh);
      }),
      { numRuns: 25, seed: 20261126 },
    );
    expect(compiled).toBeGreaterThan(12);
  });

  it("makes a part again when anything it is made of is another thing, and keeps a broken run's beside those before it", () => {
    const made: string[] = [];
    const parts = new KeptParts<number>();
    const ask = (key: string, ...of: unknown[]) =>
      parts.of(key, of, () => {
        made.push(key);
        return made.length;
      });
    const [one, other] = [{ a: 1 }, { a: 1 }];
    parts.begin();
    expect([ask("x", one), ask("x", one), ask("y", one, other)]).toEqual([1, 1, 2]);
    parts.end();
    parts.begin();
    expect(ask("x", other)).toBe(3);
    // Broken off before it asked for y.
    parts.begin();
    expect([ask("y", one, other), ask("x", other), ask("y", one)]).toEqual([2, 3, 4]);
    parts.end();
    parts.begin();
    parts.end();
    parts.begin();
    expect(ask("x", other)).toBe(5);
  });
});
