import { describe, expect, it } from "vitest";
import { offerSentence, wholeSentence } from "../../../core/explain/offer-sentence.ts";
import { english } from "../../../core/phrases/speak.ts";
import { entitiesOf, planOf } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { planProblems } from "../../../core/plan/problems/plan-problems.ts";
import { brokenRules } from "../../../core/plan/problems/rules.ts";
import { compiledPlan, quoteOf } from "../../../core/tests/compiled.ts";
import { demoPlan } from "../../tests/demo-plan.ts";
import { zonePatterns } from "../places/zone-patterns.ts";
import { newOffer, nextWeekend, OFFER_PATTERNS } from "./new-offer.ts";

const plan = demoPlan();
const asked = { at: "2026-11-28T10:00:00Z", currency: "EUR", destination: { country: "PT", postcode: "3000-001" } };

/** A plan with these things besides, as it is read back. */
function having(more: Parameters<typeof planOf>[0]): Plan {
  const made = planOf([...entitiesOf(plan), ...more]);
  if (!made) throw new Error("the plan lost its store");
  expect([planProblems(made), brokenRules(made)]).toEqual([[], []]);
  return made;
}

describe("offers from a pattern", () => {
  it("are sound in every zone, are off, and say all they mean; switched on, each frees something for somebody", () => {
    const free = new Set<string>();
    for (const zone of plan.zones)
      for (const { id, name, make } of OFFER_PATTERNS) {
        const plain = newOffer(plan, [zone.id], name.message);
        const offer = plain && make(plain, plan);
        if (!offer) continue;
        expect(offer.on).toBe(false);
        having([{ kind: "offer", id: offer.id, body: offer }]);
        const sentence = english(wholeSentence(offerSentence(plan, offer, zone.market, "EUR")));
        expect(sentence).toMatch(/^Free /);
        if (zone.id !== "portugal-mainland") continue;
        const on = having([{ kind: "offer", id: offer.id, body: { ...offer, on: true } }]);
        const [trigger] = offer.steps.map((step) => step.trigger);
        const codes = trigger && "codes" in trigger ? trigger.codes : [];
        const at = offer.schedule?.[0]?.from ? `${offer.schedule[0].from}T12:00:00Z` : asked.at;
        const answer = quoteOf(compiledPlan(on), {
          ...asked,
          at,
          shopper: { id: "s-1", signedIn: true },
          cart: { lines: [{ sku: "ink", quantity: 3, unitPrice: 1200 }], codes },
        });
        const speaks = answer.messages.some((message) => message.offer === offer.id);
        const frees = answer.progress.some((one) => one.offer === offer.id && one.reached);
        if (speaks || frees || answer.progress.some((one) => one.offer === offer.id && one.state === "covered"))
          free.add(id);
      }
    expect([...free].sort()).toEqual(OFFER_PATTERNS.map(({ id }) => id).sort());
  });

  it("for one weekend begin on the Friday that comes and end with the Sunday", () => {
    for (const [today, from] of [
      ["2026-11-26", "2026-11-27"],
      ["2026-11-27", "2026-12-04"],
      ["2026-11-28", "2026-12-04"],
      ["2026-12-30", "2027-01-01"],
    ] as const) {
      const weekend = nextWeekend(new Date(`${today}T09:00:00Z`));
      expect(weekend.from).toBe(from);
      expect(new Date(weekend.until).getUTCDay()).toBe(0);
    }
  });
});

describe("zones from a pattern", () => {
  it("claim places that no zone has, and serve them once they are there", () => {
    const offered = plan.markets.flatMap(({ id }) =>
      zonePatterns(plan, id, (code) => code).map((one) => ({ ...one, market: id })),
    );
    expect(offered.map(({ id }) => id)).toContain("outlying-ES");
    // Madeira and the Azores, Alaska and Hawaii are zones already.
    expect(offered.map(({ id }) => id)).not.toContain("outlying-PT");
    for (const { id, market, destinations } of offered) {
      const zone = { id: "new", position: 5000, market, name: id, destinations, standardTaxRate: "0" };
      const made = having([{ kind: "zone", id: "new", body: zone }]);
      const [first] = destinations;
      const destination =
        first && "region" in first
          ? { region: first.region }
          : first && "country" in first
            ? { country: first.country }
            : { country: "NZ" };
      const answer = quoteOf(compiledPlan(made), {
        ...asked,
        destination,
        currency: plan.markets.find((one) => one.id === market)?.currencies[0] ?? "EUR",
        cart: { lines: [] },
      });
      expect([id, answer.zone]).toEqual([id, "new"]);
      // What is there now is not offered again.
      expect(zonePatterns(made, market, (code) => code).map((one) => one.id)).not.toContain(id);
    }
  });
});
