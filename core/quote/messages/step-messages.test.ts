import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { HOUSE_LANGUAGES } from "../../messages/house-texts.ts";
import { MESSAGE_STATES } from "../../messages/states.ts";
import type { Plan } from "../../plan/plan.ts";
import type { QuoteRequest } from "../../request/request.ts";
import { DELIVERY_REWARDS, ORDER_REWARDS } from "../../rewards/reward.ts";
import { compiledPlan, quoteOf } from "../../tests/compiled.ts";
import { checkPlan } from "../../validation/documents.ts";

const plan: Plan = JSON.parse(readFileSync("demo/plan.json", "utf8"));

const asked = (unitPrice: number, more: Partial<QuoteRequest> = {}): QuoteRequest => ({
  at: "2026-11-26T10:00:00Z",
  currency: "EUR",
  locale: "en",
  destination: { country: "ES", postcode: "28013" },
  shopper: { signedIn: true },
  ...more,
  cart: { lines: [{ sku: "ink", quantity: 1, unitPrice, weight: { value: "200", unit: "g" } }] },
});

/** The plan with one offer, and that changed. */
function withOffer(id: string, change: (offer: Plan["offers"][number]) => void): Plan {
  const edited = structuredClone(plan);
  edited.offers = edited.offers.filter((offer) => offer.id === id);
  for (const offer of edited.offers) change(offer);
  return edited;
}

describe("what a step says that has no text", () => {
  it("is what the last one earned below it says: more goods never make an offer silent that has spoken of what is earned", () => {
    let spokeOn = 0;
    fc.assert(
      fc.property(
        fc.array(fc.boolean(), { minLength: MESSAGE_STATES.length, maxLength: MESSAGE_STATES.length }),
        fc.integer({ min: 6000, max: 20_000 }),
        fc.integer({ min: 0, max: 20_000 }),
        (kept, from, more) => {
          const left = new Set<string>(MESSAGE_STATES.filter((_, i) => kept[i]));
          const silent = withOffer("free-post", ({ steps }) => {
            for (const step of steps.slice(1))
              step.wording = Object.fromEntries(Object.entries(step.wording).filter(([state]) => left.has(state)));
          });
          const compiled = compiledPlan(silent);
          const said = (value: number) =>
            quoteOf(compiled, asked(value)).messages.filter(({ surface }) => surface === "cart");
          const earned = said(from).filter(({ state }) => state === "reached");
          if (earned.length === 0) return;
          const later = said(from + more);
          expect(later.filter(({ state }) => state === "reached").length).toBeGreaterThan(0);
          const top = quoteOf(compiled, asked(from + more))
            .progress.filter(({ reached }) => reached)
            .at(-1);
          if (top && later.every(({ step }) => step !== top.step)) spokeOn += 1;
        },
      ),
      { numRuns: 120 },
    );
    expect(spokeOn).toBeGreaterThan(5);
  });
});

describe("{reward}", () => {
  it("is never empty, whatever is given, in every language that ships", () => {
    const rewards = [...DELIVERY_REWARDS.values(), ...ORDER_REWARDS.values()].map(({ example }) => example);
    for (const example of rewards) {
      const reward = "options" in example ? { ...example, options: ["post"] } : example;
      const given = "of" in reward ? { ...reward, of: "courier" } : reward;
      const euro = "amount" in given ? { ...given, amount: { byCurrency: { EUR: "1.00" } } } : given;
      const wording = { reached: { en: "({reward})" }, covered: { en: "({reward})" } };
      const offers = plan.offers
        .filter(({ id }) => id === "members")
        .map((offer) => ({ ...offer, steps: offer.steps.map((step) => ({ ...step, reward: euro, wording })) }));
      const read = checkPlan({ ...plan, offers });
      if ("problems" in read) throw new Error(JSON.stringify(read.problems));
      const told = read.value;
      const compiled = compiledPlan(told);
      for (const locale of ["en", ...HOUSE_LANGUAGES]) {
        const [message] = quoteOf(
          compiled,
          asked(3000, { destination: { country: "DE", postcode: "10115" }, locale }),
        ).messages;
        expect([euro.kind, locale, message?.text]).toEqual([euro.kind, locale, expect.stringMatching(/^\(.+\)$/)]);
      }
    }
  });
});

describe("{place}", () => {
  it("is what shoppers call the zone in their language, its name where they call it nothing else", () => {
    const place = (called: Record<string, string> | undefined, locale: string) => {
      const edited = withOffer("free-standard", (offer) => {
        for (const step of offer.steps) step.wording = { "on-the-way": { en: "to {place}", pt: "para {place}" } };
      });
      edited.zones = edited.zones.map((zone) =>
        zone.id === "portugal-mainland" && called ? { ...zone, called } : zone,
      );
      const request = asked(1000, { destination: { country: "PT", postcode: "3000-001" }, locale });
      return quoteOf(compiledPlan(edited), request).messages[0]?.text;
    };
    expect(place(undefined, "pt-PT")).toBe("para Mainland Portugal");
    expect(place({ pt: "Portugal continental" }, "pt-PT")).toBe("para Portugal continental");
    expect(place({ pt: "Portugal continental", en: "the mainland" }, "en")).toBe("to the mainland");
  });
});
