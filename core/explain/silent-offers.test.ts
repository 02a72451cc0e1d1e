import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { english } from "../phrases/speak.ts";
import type { Plan } from "../plan/plan.ts";
import type { QuoteRequest } from "../request/request.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { silentOffers } from "./silent-offers.ts";

const plan: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));
const compiled = compiledPlan(plan);
const PLACES = [
  { destination: { country: "PT", postcode: "3000-001" }, currency: "EUR" },
  { destination: { country: "PT", postcode: "9000-001" }, currency: "EUR" },
  { destination: { country: "ES", postcode: "28013" }, currency: "EUR" },
  { destination: { country: "GB", postcode: "SW1A 1AA" }, currency: "GBP" },
  { destination: { country: "JP", postcode: "100-0001" }, currency: "JPY" },
];

const request: fc.Arbitrary<QuoteRequest> = fc
  .record({
    place: fc.constantFrom(...PLACES),
    unitPrice: fc.integer({ min: 0, max: 9000 }),
    quantity: fc.integer({ min: 1, max: 12 }),
    signedIn: fc.boolean(),
    groups: fc.subarray(["trade"]),
    at: fc.constantFrom("2026-11-26T10:00:00Z", "2026-11-28T10:00:00Z", "2027-03-01T10:00:00Z"),
  })
  .map(({ place, unitPrice, quantity, signedIn, groups, at }) => ({
    ...place,
    ...{ at, locale: "en", shopper: { id: "s-1", signedIn, groups } },
    cart: { lines: [{ sku: "ink", quantity, unitPrice, weight: { value: "200", unit: "g" } }] },
  }));

describe("why an offer says nothing", () => {
  it("is told of just those without a message, in a sentence", () => {
    const reasons = new Set<string>();
    fc.assert(
      fc.property(request, (asked) => {
        const spoken = new Set(quoteOf(compiled, asked).messages.map(({ offer }) => offer));
        const silent = silentOffers(compiled, asked);
        expect([...spoken, ...silent.map(({ offer }) => offer)].sort()).toEqual(plan.offers.map(({ id }) => id).sort());
        for (const { offer, why: reason } of silent) {
          const why = english(reason);
          expect(why).toMatch(/^[^{}]+\.$/);
          reasons.add(why.replace(/[“:(].*/, "").replace(/in [A-Z].*/, ""));
          if (why.startsWith("It does not hold")) {
            const { zone } = quoteOf(compiled, asked);
            expect(plan.offers.find(({ id }) => id === offer)?.zones).not.toContain(zone);
          }
        }
      }),
      { numRuns: 60 },
    );
    expect(reasons.size).toBeGreaterThan(2);
  });

  it("says which: switched off, elsewhere, for others, without a text, at the wrong time, nowhere", () => {
    const why = (offer: string, edit: (draft: Plan) => void, at = "2026-11-28T10:00:00Z") => {
      const edited = structuredClone(plan);
      edit(edited);
      const asked = { at, currency: "EUR", destination: { country: "PT", postcode: "3000-001" } };
      const cart = { lines: [{ sku: "ink", quantity: 1, unitPrice: 3860 }] };
      const silent = silentOffers(compiledPlan(edited), { ...asked, cart }).find((one) => one.offer === offer);
      return silent && english(silent.why);
    };
    const of = (draft: Plan, id: string) => {
      const found = draft.offers.find((one) => one.id === id);
      if (!found) throw new Error(id);
      return found;
    };
    expect(why("free-standard", () => {})).toBeUndefined();
    expect(why("free-standard", (draft) => Object.assign(of(draft, "free-standard"), { on: false }))).toBe(
      "It is switched off.",
    );
    expect(why("free-post", () => {})).toBe("It does not hold in Mainland Portugal.");
    expect(
      why("free-standard", (draft) => Object.assign(of(draft, "free-standard"), { when: { kind: "signed-in" } })),
    ).toMatch(/^“Free standard delivery” is not for this shopper or cart .*signed in.*: no/);
    expect(
      why("free-standard", (draft) => {
        for (const step of of(draft, "free-standard").steps) step.wording = {};
      }),
    ).toBe("It has no text for where this shopper stands, in a language of the market.");
    expect(why("advent-weekend", () => {}, "2027-03-01T10:00:00Z")).toMatch(/does not run at this moment|time is over/);
  });
});
