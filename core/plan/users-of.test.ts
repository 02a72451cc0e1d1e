import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { entitiesOf, entityKey, planOf } from "./entities.ts";
import type { Plan } from "./plan.ts";
import { planProblems } from "./problems/plan-problems.ts";
import { usersOf } from "./users-of.ts";

const demo: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));
const keys = (plan: Plan, ...[kind, id]: [Parameters<typeof usersOf>[1], string]) =>
  usersOf(plan, kind, id).map(entityKey);

describe("what names a thing of a plan", () => {
  it("is all that has to change, and nothing more, before the thing can go", () => {
    const found = new Map(entitiesOf(demo).map((entity) => [entityKey(entity), usersOf(demo, entity.kind, entity.id)]));
    const usersBut = (key: string) => (found.get(key) ?? []).filter(({ kind }) => kind !== "store");
    let used = 0;
    for (const { kind, id } of entitiesOf(demo)) {
      if (kind === "store") continue;
      const gone = new Set([`${kind}/${id}`]);
      const without = () => planOf(entitiesOf(demo).filter((entity) => !gone.has(entityKey(entity))));
      // Things that name it go with it, and what names those, until nothing does.
      const queue = usersBut(`${kind}/${id}`);
      if (queue.length > 0) used += 1;
      const first = without();
      expect(first && planProblems(first).length > 0).toBe(found.get(`${kind}/${id}`)?.length !== 0);
      while (queue.length > 0) {
        const next = queue.pop();
        if (!next || gone.has(entityKey(next))) continue;
        gone.add(entityKey(next));
        queue.push(...usersBut(entityKey(next)));
      }
      const rest = without();
      const left = rest ? planProblems(rest).filter(({ path }) => !path.startsWith("/store")) : [];
      expect({ kind, id, left }).toEqual({ kind, id, left: [] });
    }
    expect(used).toBeGreaterThan(10);
  });

  it("is found wherever it stands: the store, a surcharge, a zone's own charge, a condition within others", () => {
    const [option, other] = demo.options;
    const [location] = demo.locations ?? [];
    if (!option || !other || !location) throw new Error("the demo has no options or locations");
    const lone = { ...location, id: "lone" };
    const far = { kind: "distance", from: "lone", is: "at-most", distance: { value: "8", unit: "km" } } as const;
    const [zone = ""] = option.zones;
    const surcharge = {
      id: "far",
      name: { en: "Far" },
      charge: { kind: "flat", amount: { byCurrency: { EUR: "1.00" } } },
      when: { kind: "not", of: far },
    };
    const perKilometre = { kind: "bands", by: { kind: "distance", from: "lone" }, first: "free", edges: [] };
    const variants: readonly [string, unknown][] = [
      ["store/store", { store: { ...demo.store, shipsFrom: "lone" } }],
      [`option/${option.id}`, { options: [{ ...option, surcharges: [surcharge] }, other] }],
      [`option/${other.id}`, { options: [option, { ...other, byZone: { [zone]: { charge: perKilometre } } }] }],
      ["condition/near", { conditions: [{ id: "near", position: 1, name: "Near", when: { kind: "all", of: [far] } }] }],
    ];
    for (const [key, part] of variants) {
      const plan: Plan = JSON.parse(
        JSON.stringify({ ...demo, offers: [], locations: [...(demo.locations ?? []), lone], ...Object(part) }),
      );
      expect([key, keys(plan, "location", "lone")]).toEqual([key, [key]]);
    }
  });
});
