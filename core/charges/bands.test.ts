import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { majorUnits } from "../money/decimal.ts";
import type { Plan } from "../plan/plan.ts";
import { compiledPlan, quoteOf } from "../testing/compiled.ts";
import type { BandedCharge } from "./bands.ts";

const eur = (amount: string) => ({ byCurrency: { EUR: amount } });
const basis = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } as const;

function planWith(charge: BandedCharge): Plan {
  return {
    format: 1,
    store: { name: "Bands", chosenAtFirst: "first" },
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
    zones: [{ id: "z", position: 1, market: "m", name: "Z", destinations: [{ country: "PT" }], standardTaxRate: "23" }],
    options: [{ id: "o", position: 1, name: { en: "O" }, zones: ["z"], charge }],
    offers: [],
  };
}

function priceFor(charge: BandedCharge): (cents: number) => number | string | undefined {
  const compiled = compiledPlan(planWith(charge));
  return (cents) => {
    const [option] = quoteOf(compiled, {
      at: "2026-11-28T10:00:00Z",
      currency: "EUR",
      destination: { country: "PT" },
      cart: { lines: [{ sku: "goods", quantity: 1, unitPrice: cents }] },
    }).options;
    return option?.price ?? option?.reason;
  };
}

describe("banded charges", () => {
  // F1, common practice, no source.
  it("F1: [0, 30) 4, [30, 75) 7, from 75 free", () => {
    const price = priceFor({
      kind: "bands",
      basis,
      first: eur("4"),
      edges: [
        { edge: "from", at: eur("30"), price: eur("7") },
        { edge: "from", at: eur("75"), price: "free" },
      ],
    });
    expect([2999, 3000, 7499, 7500].map(price)).toEqual([400, 700, 700, 0]);
  });

  // F8, common practice, no source. Below 40 nothing is offered.
  it("F8: over 40 up to 90 costs 3, over 90 is free, without one-cent tricks", () => {
    const price = priceFor({
      kind: "bands",
      basis,
      first: "not-offered",
      edges: [
        { edge: "above", at: eur("40"), price: eur("3") },
        { edge: "above", at: eur("90"), price: "free" },
      ],
    });
    expect([4000, 4001, 9000, 9001].map(price)).toEqual(["not-offered", 300, 300, 0]);
  });

  it("agree with a naive reading just below, at and above every edge", () => {
    const edges = fc.uniqueArray(
      fc.record({
        at: fc.integer({ min: 1, max: 500 }).map((n) => 2 * n),
        edge: fc.constantFrom("from", "above"),
        price: fc.nat(900),
      }),
      { selector: ({ at }) => at, minLength: 1, maxLength: 8 },
    );
    fc.assert(
      fc.property(edges, fc.nat(900), (drawn, first) => {
        const price = priceFor({
          kind: "bands",
          basis,
          first: eur(majorUnits(first, 2)),
          edges: drawn.map(({ at, edge, price: p }) => ({
            edge,
            at: eur(majorUnits(at, 2)),
            price: eur(majorUnits(p, 2)),
          })),
        });
        // Naive: of all the edges the value has passed, the highest one says the price.
        const naive = (value: number) =>
          drawn
            .filter(({ at, edge }) => (edge === "from" ? value >= at : value > at))
            .reduce((best, band) => (band.at > best.at ? band : best), { at: -1, price: first }).price;
        for (const { at } of drawn) {
          for (const value of [at - 1, at, at + 1]) expect(price(value)).toBe(naive(value));
        }
      }),
    );
  });
});
