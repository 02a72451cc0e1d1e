import type { Offer } from "../../core/offers/offer.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { oneZonePlan } from "../../core/tests/one-zone.ts";

const euro = (minor: number) => ({ byCurrency: { EUR: (minor / 100).toFixed(2) } });
const VALUE = { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } } as const;

const offer = (i: number): Offer => ({
  id: `offer${i}`,
  position: i,
  name: `Offer ${i}`,
  on: true,
  zones: ["z"],
  counts: VALUE,
  stacking: { kind: "any" },
  steps: [
    {
      id: "step",
      position: 1,
      trigger: { kind: "goal", goal: { at: euro(2000 + 150 * i), edge: "from" } },
      reward: {
        kind: "money-off",
        options: ["option"],
        amount: euro(10 + i),
        covers: { handling: true, surcharges: i % 2 === 0, ownCharges: false },
      },
      wording: {},
    },
  ],
});

/** One option, and so many offers on it that stack with any other. */
export const stackedPlan = (count: number): Plan =>
  oneZonePlan({
    options: [
      {
        id: "option",
        position: 1,
        name: { en: "Option" },
        zones: ["z"],
        charge: { kind: "flat", amount: euro(50_000) },
      },
    ],
    offers: Array.from({ length: count }, (_, i) => offer(i)),
  });

export const stackedRequest = (goods: number): QuoteRequest => ({
  at: "2026-11-28T10:00:00Z",
  currency: "EUR",
  destination: { country: "PT", postcode: "1000-001" },
  cart: { lines: [{ sku: "a", quantity: 1, unitPrice: goods }] },
});
