import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { byPosition } from "../schema/atoms.ts";
import { changed } from "../tests/plan-edits.ts";
import { movedEntities, type OrderedKind } from "./moved-entities.ts";
import type { Plan } from "./plan.ts";

const demo: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));
const LISTS = {
  market: "markets",
  zone: "zones",
  option: "options",
  offer: "offers",
  location: "locations",
  notice: "notices",
} as const;
const listOf = (plan: Plan, kind: OrderedKind) => [...(plan[LISTS[kind]] ?? [])].sort(byPosition);

describe("a thing put at another place", () => {
  it("stands there among its kind, the others keep their order, and nothing but positions changes", () => {
    const kinds = fc.constantFrom<OrderedKind>("market", "zone", "option", "offer", "location");
    fc.assert(
      fc.property(kinds, fc.nat(), fc.nat(), (kind, which, where) => {
        const before = listOf(demo, kind);
        const one = before[which % before.length];
        if (!one) throw new Error(`the demo has no ${kind}`);
        const to = where % before.length;
        const after = changed(demo, movedEntities(demo, kind, one.id, to));
        const ids = before.map(({ id }) => id).filter((id) => id !== one.id);
        expect(listOf(after, kind).map(({ id }) => id)).toEqual(ids.toSpliced(to, 0, one.id));
        const bare = (plan: Plan) => JSON.stringify(plan).replaceAll(/"position":\d+/g, "");
        // Put together again without a change, the lists of a plan stand in their own order.
        expect(bare(after) === bare(changed(demo, []))).toBe(true);
      }),
    );
  });

  it("moves among those alone that it is moved among", () => {
    const own = listOf(demo, "zone").filter((zone) => "market" in zone && zone.market === "portugal");
    const last = own.at(-1);
    if (!last) throw new Error("Portugal has no zone");
    const changes = movedEntities(
      demo,
      "zone",
      last.id,
      0,
      ({ body }) => "market" in body && body.market === "portugal",
    );
    expect(changes.every(({ id }) => own.some((zone) => zone.id === id))).toBe(true);
    const after = listOf(changed(demo, changes), "zone").filter(
      (zone) => "market" in zone && zone.market === "portugal",
    );
    expect(after[0]?.id).toBe(last.id);
  });
});
