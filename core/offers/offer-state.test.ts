import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Plan } from "../plan/plan.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { edited } from "../tests/plan-edits.ts";
import { canStack, type Offer } from "./offer.ts";
import { offerState } from "./offer-state.ts";
import { stackingOf } from "./stacking.ts";

const plan: Plan = JSON.parse(readFileSync("demo/plan.json", "utf8"));
const offerCalled = (of: Plan, id: string): Offer => {
  const found = of.offers.find((offer) => offer.id === id);
  if (!found) throw new Error(`no offer ${id}`);
  return found;
};

describe("where an offer stands", () => {
  it("goes through scheduled, on, a pause, on and ended, to the millisecond", () => {
    const advent = offerCalled(plan, "advent-weekend");
    const at = (iso: string, by = 0) => offerState(advent, "Europe/Lisbon", Date.parse(iso) + by).state;
    expect([at("2026-11-27T00:00Z", -1), at("2026-11-27T00:00Z")]).toEqual(["scheduled", "on"]);
    expect([at("2026-12-01T00:00Z", -1), at("2026-12-01T00:00Z")]).toEqual(["on", "scheduled"]);
    expect([at("2026-12-08T00:00Z", -1), at("2026-12-08T00:00Z")]).toEqual(["on", "ended"]);
    expect(offerState({ ...advent, on: false }, "Europe/Lisbon", 0)).toEqual({ state: "off", changes: null });
  });

  it("is on exactly when a quote takes it to be in time", () => {
    const compiled = compiledPlan(plan);
    fc.assert(
      fc.property(fc.integer({ min: Date.UTC(2026, 10, 20), max: Date.UTC(2026, 11, 12) }), (at) => {
        const { options } = quoteOf(compiled, {
          at: new Date(at).toISOString(),
          currency: "EUR",
          destination: { country: "PT", postcode: "3000-001" },
          cart: { lines: [{ sku: "x", quantity: 1, unitPrice: 9000, weight: { value: "1", unit: "g" } }] },
        });
        const used = options.some(({ offers }) => offers.includes("advent-weekend"));
        expect(used).toBe(offerState(offerCalled(plan, "advent-weekend"), "Europe/Lisbon", at).state === "on");
      }),
      { numRuns: 200, seed: 20261124 },
    );
  });
});

describe("the company an offer keeps", () => {
  it("is mutual, and together only where each stands the other", () => {
    for (const offer of plan.offers) {
      for (const { other, outcome } of stackingOf(plan, offer)) {
        const back = stackingOf(plan, other).find((one) => one.other.id === offer.id);
        expect(back, `${offer.id} and ${other.id}`).toBeDefined();
        expect(outcome === "together").toBe(canStack(offer, other));
        if (outcome !== "together")
          expect(new Set([outcome, back?.outcome])).toEqual(new Set(["this-on-a-tie", "that-on-a-tie"]));
      }
    }
  });

  it("is none where zones, options or times keep them apart", () => {
    const names = (of: Plan, id: string) => stackingOf(of, offerCalled(of, id)).map(({ other }) => other.id);
    expect(names(plan, "trade-islands")).toEqual(["islands-sea"]);
    expect(names(plan, "free-standard")).toEqual([]);
    const before = edited(plan, {
      name: "a weekend before the others",
      edit: (draft) => {
        const twin = { ...structuredClone(draft.offers[0]), id: "twin", position: 300 };
        draft.offers.push({ ...twin, schedule: [{ from: "2026-11-13", until: "2026-11-15" }] });
        draft.offers[0].schedule = [{ from: "2026-11-16" }];
      },
    });
    expect(names(before, "free-standard")).toEqual([]);
    const meeting = edited(before, {
      name: "they meet",
      edit: (draft) => {
        draft.offers[0].schedule = [{ from: "2026-11-15" }];
      },
    });
    expect(names(meeting, "free-standard")).toEqual(["twin"]);
  });
});
