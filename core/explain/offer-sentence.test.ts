import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { joined } from "../phrases/phrase.ts";
import { english } from "../phrases/speak.ts";
import { type Plan, ratesOf } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import { anyCase } from "../tests/arbitrary.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { offerDetails } from "./offer-details.ts";
import { offerSentence } from "./offer-sentence.ts";

/** All that is said of the first offer: its sentence, and the details beside it. */
function sentenceOf(plan: Plan): string {
  const [offer] = plan.offers;
  const [market] = plan.markets;
  const [currency = ""] = market?.currencies ?? [];
  if (!offer || !market) return "";
  const context = { zone: null, market: market.id, currency, rates: ratesOf(plan) };
  const sentence = offerSentence(plan, offer, market.id, currency);
  return english(joined([...sentence.map(({ text }) => text), ...offerDetails(offer, context)]));
}

describe("the sentence of an offer", () => {
  it("tells two offers apart that differ in price, grant or state for some cart", () => {
    let different = 0;
    fc.assert(
      fc.property(
        anyCase(3000),
        anyCase(3000),
        fc.array(anyCase(3000), { minLength: 4, maxLength: 4 }),
        (one, other, more) => {
          const [currency] = one.plan.markets[0]?.currencies ?? [];
          if (other.plan.markets[0]?.currencies[0] !== currency) return;
          const [mine] = one.plan.offers;
          const [theirs] = other.plan.offers;
          if (!mine || !theirs) return;
          const known = new Set(one.plan.options.map(({ id }) => id));
          const fits = theirs.steps.every(
            ({ reward }) =>
              !("options" in reward) ||
              (reward.options.every((id) => known.has(id)) && (!("of" in reward) || known.has(reward.of))),
          );
          if (!fits) return;
          // The one offer in place of the other, in the same plan: alone, since others' names are not at stake.
          const bare = ({ stacking: _, ...offer }: typeof mine) => ({ ...offer, id: "it", name: "it" });
          const plans = [bare(mine), bare(theirs)].map((offer) => ({ ...one.plan, offers: [offer] }));
          const [a, b] = plans.map(compiledPlan);
          if (!a || !b) return;
          const requests = [one, other, ...more].map(({ request }) => ({
            ...request,
            currency: currency ?? "",
            carriers: [],
          }));
          const apart = requests.some((request) => {
            const [here, there] = [quote(a, request, { text: false }), quote(b, request, { text: false })];
            return JSON.stringify(here) !== JSON.stringify(there);
          });
          if (!apart) return;
          different += 1;
          const [first, second] = plans.map(sentenceOf);
          expect(first).not.toBe(second);
        },
      ),
      { seed: 20261126, numRuns: 900 },
    );
    expect(different).toBeGreaterThan(40);
  });

  it("names what it is measured by, whose share falls, and whatever else one change of an offer makes of it", () => {
    fc.assert(
      fc.property(anyCase(3000), fc.nat(), fc.infiniteStream(fc.nat()), ({ plan, request }, which, stream) => {
        const [offer] = plan.offers;
        if (!offer) return;
        // One figure or word of the offer is another; where that changes what shoppers get, it changes what is said.
        const places: ((copy: typeof offer) => void)[] = [];
        const visit = (value: unknown, at: (copy: typeof offer) => unknown): void => {
          if (typeof value !== "object" || value === null) return;
          for (const [key, part] of Object.entries(value)) {
            if (["id", "name", "position", "wording", "zones", "byCurrency", "converted"].includes(key)) continue;
            if (typeof part === "boolean") places.push((copy) => Reflect.set(Object(at(copy)), key, !part));
            else if (part === "in" || part === "out")
              places.push((copy) => Reflect.set(Object(at(copy)), key, part === "in" ? "out" : "in"));
            else if (part === "with" || part === "without")
              places.push((copy) => Reflect.set(Object(at(copy)), key, part === "with" ? "without" : "with"));
            else if (key === "edge")
              places.push((copy) => Reflect.set(Object(at(copy)), key, part === "from" ? "above" : "from"));
            else if (key === "items" || key === "quantity" || key === "overall" || key === "perShopper")
              places.push((copy) =>
                Reflect.set(Object(at(copy)), key, Number(part) + 1 + ((stream.next().value ?? 0) % 3)),
              );
            visit(part, (copy) => Reflect.get(Object(at(copy)), key));
          }
        };
        visit(offer, (copy) => copy);
        const change = places[which % Math.max(1, places.length)];
        if (!change) return;
        const copy = structuredClone(offer);
        change(copy);
        const changed = { ...plan, offers: [copy, ...plan.offers.slice(1)] };
        const [before, after] = [plan, changed].map((one) => quote(compiledPlan(one), request, { text: false }));
        if (JSON.stringify(before) === JSON.stringify(after)) return;
        expect(sentenceOf(changed)).not.toBe(sentenceOf(plan));
      }),
      { seed: 20261126, numRuns: 600 },
    );
  });
});
