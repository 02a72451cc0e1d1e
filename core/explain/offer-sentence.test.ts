import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { joined } from "../phrases/phrase.ts";
import { english } from "../phrases/speak.ts";
import { type Plan, ratesOf } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import { anyCase, type Case } from "../tests/arbitrary.ts";
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

/** The plan of one case with its first offer alone, and with that of the other instead, where it fits in. */
function withEither(one: Plan, other: Plan): [Plan, Plan] | null {
  const [mine] = one.offers;
  const [theirs] = other.offers;
  if (!mine || !theirs || other.markets[0]?.currencies[0] !== one.markets[0]?.currencies[0]) return null;
  const known = new Set(one.options.map(({ id }) => id));
  const fits = theirs.steps.every(
    ({ reward }) =>
      !("options" in reward) ||
      (reward.options.every((id) => known.has(id)) && (!("of" in reward) || known.has(reward.of))),
  );
  // Alone, since others' names are not at stake.
  const alone = ({ stacking: _, ...offer }: typeof mine): Plan => ({
    ...one,
    offers: [{ ...offer, id: "it", name: "it" }],
  });
  return fits ? [alone(mine), alone(theirs)] : null;
}

/** Whether some of the requests is answered otherwise by one plan than by the other. */
function areApart(plans: [Plan, Plan], requests: readonly QuoteRequest[]): boolean {
  const [a, b] = [compiledPlan(plans[0]), compiledPlan(plans[1])];
  const [currency = ""] = plans[0].markets[0]?.currencies ?? [];
  return requests.some((request) => {
    const asked = { ...request, currency, carriers: [] };
    const [here, there] = [quote(a, asked, { text: false }), quote(b, asked, { text: false })];
    return JSON.stringify(here) !== JSON.stringify(there);
  });
}

describe("the sentence of an offer", () => {
  it("tells two offers apart that differ in price, grant or state for some cart", () => {
    let different = 0;
    // Each offer beside each other: drawing plans is what takes long.
    fc.assert(
      fc.property(fc.array(anyCase(3000), { minLength: 20, maxLength: 20 }), (cases: readonly Case[]) => {
        const requests = cases.slice(0, 6).map(({ request }) => request);
        for (const [i, one] of cases.entries())
          for (const other of cases.slice(i + 1)) {
            const plans = withEither(one.plan, other.plan);
            if (!plans || !areApart(plans, [one.request, other.request, ...requests])) continue;
            different += 1;
            expect(sentenceOf(plans[0])).not.toBe(sentenceOf(plans[1]));
          }
      }),
      { seed: 20261126, numRuns: 12 },
    );
    expect(different).toBeGreaterThan(100);
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
