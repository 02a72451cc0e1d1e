import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { entitiesOf, entityKey } from "../../core/plan/entities.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { anyCase } from "../../core/tests/arbitrary.ts";
import { patchBetween, patched, planSender } from "./plan-patch.ts";

const anyPlan = anyCase(2000).map(({ plan }) => plan);
const inOrder = (plan: Plan) => new Map(entitiesOf(plan).map((entity) => [entityKey(entity), entity.body]));
/** As it arrives in another thread. */
const sent = <T>(value: T): T => structuredClone(value);

describe("a worker that is sent patches", () => {
  it("holds what the page holds, whatever plans come one after the other, also after it was started anew", () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ plan: anyPlan, isNewWorker: fc.boolean() }), { minLength: 1, maxLength: 6 }),
        (jobs) => {
          const patchFor = planSender();
          let worker = {};
          let held: Plan | null = null;
          for (const { plan, isNewWorker } of jobs) {
            if (isNewWorker) [worker, held] = [{}, null];
            held = patched(held, sent(patchFor(worker, plan)));
            expect(inOrder(held)).toEqual(inOrder(plan));
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it("is sent only what was edited", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const [first, ...others] = plan.offers;
        if (!first) return;
        const edited = { ...plan, offers: [{ ...first, name: "Edited" }, ...others] };
        const patch = patchBetween(plan, edited);
        expect(patch).toEqual({ changes: [{ kind: "offer", id: first.id, body: edited.offers[0] }] });
        expect(patchBetween(plan, { ...plan })).toEqual({ changes: [] });
        expect(patchBetween(edited, plan)).toEqual({ changes: [{ kind: "offer", id: first.id, body: first }] });
      }),
    );
    expect(() => patched(null, { changes: [] })).toThrow("no plan to be changed");
  });
});
