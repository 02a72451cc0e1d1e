import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { offerSentence, wholeSentence } from "../explain/offer-sentence.ts";
import { amountsIn } from "../money/amounts-in.ts";
import { english } from "../phrases/speak.ts";
import type { Plan } from "../plan/plan.ts";
import { anyCase } from "../tests/arbitrary.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { quote } from "./quote.ts";

/** The plan as somebody writes it who has no other zone: what is the zone's own stands for all, or is left out. */
function written(plan: Plan, keep: boolean): Plan {
  const copy = structuredClone(plan);
  for (const amount of amountsIn(copy)) {
    const own = amount.byZone?.zone;
    if (own && keep) amount.byCurrency = { ...amount.byCurrency, ...own };
    delete amount.byZone;
  }
  return copy;
}

/** The same plan with a second zone that shares everything but what is the first one's own. */
const withIslands = (plan: Plan): Plan => ({
  ...plan,
  zones: plan.zones.flatMap((zone) => [
    zone,
    { ...zone, id: "islands", position: 2, name: "Islands", destinations: [{ region: "PT-20" }] },
  ]),
  options: plan.options.map((option) => ({ ...option, zones: [...option.zones, "islands"] })),
  offers: plan.offers.map((offer) => ({ ...offer, zones: [...offer.zones, "islands"] })),
});

describe("amounts of a zone's own", () => {
  it("are what that zone has, wherever in the plan they stand, and nothing to its neighbour", () => {
    fc.assert(
      fc.property(anyCase(6000), ({ plan, request }) => {
        const both = compiledPlan(withIslands(plan));
        expect(quote(both, request)).toEqual(quote(compiledPlan(written(plan, true)), request));
        const there = { ...request, destination: { country: "PT", region: "PT-20", postcode: "9500-001" } };
        const alone = compiledPlan(withIslands(written(plan, false)));
        expect(quote(both, there)).toEqual(quote(alone, there));
      }),
      { seed: 20261126, numRuns: 300 },
    );
  });

  it("are told in the offer's sentence, by the names of the zones", () => {
    const money = (text: string) => ({ byCurrency: { EUR: text } });
    const plan: Plan = {
      format: 2,
      store: { name: "S", chosenAtFirst: { rule: "cheapest" } },
      markets: [
        {
          id: "m",
          position: 1,
          name: "M",
          currencies: ["EUR"],
          languages: ["en"],
          timeZone: "UTC",
          pricesIncludeTax: true,
        },
      ],
      zones: ["mainland", "islands", "capes"].map((id, i) => ({
        id,
        position: i,
        market: "m",
        name: id === "mainland" ? "the mainland" : `the ${id}`,
        destinations: [],
        standardTaxRate: "0",
      })),
      options: [
        {
          id: "post",
          position: 1,
          name: { en: "Post" },
          zones: ["mainland", "islands", "capes"],
          charge: { kind: "flat", amount: money("5") },
        },
      ],
      offers: [
        {
          id: "o",
          position: 1,
          name: "o",
          on: true,
          zones: ["mainland", "islands"],
          counts: { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } },
          steps: [
            {
              id: "one",
              position: 1,
              trigger: {
                kind: "goal",
                goal: {
                  at: { ...money("99"), byZone: { islands: { EUR: "149" }, capes: { EUR: "7" } } },
                  edge: "from",
                },
              },
              reward: {
                kind: "flat-price",
                options: ["post"],
                amount: { ...money("2"), byZone: { islands: { EUR: "3" } } },
              },
              wording: {},
            },
          ],
        },
      ],
    };
    const [offer] = plan.offers;
    const said = offer && english(wholeSentence(offerSentence(plan, offer, "m", "EUR")));
    expect(said).toBe(
      "Post for €2.00 (€3.00 in the islands) from €99 (€149 in the islands), in the mainland and the islands.",
    );
  });
});
