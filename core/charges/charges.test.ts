import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { majorUnits } from "../money/decimal.ts";
import type { Plan } from "../plan/plan.ts";
import type { Shopper } from "../request/request.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import type { Charge } from "./charge.ts";

const eur = (amount: string) => ({ byCurrency: { EUR: amount } });
const basis = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } as const;

const planWith = (charge: Charge): Plan =>
  oneZonePlan({ options: [{ id: "o", position: 1, name: { en: "O" }, zones: ["z"], charge }] });

/** What a charge comes to for one line of goods: worth so many cents, or so many pieces. */
function priceFor(
  charge: Charge,
  shopper: Shopper = {},
): (cents: number, pieces?: number) => number | string | undefined {
  const compiled = compiledPlan(planWith(charge));
  return (cents, pieces = 1) => {
    const [option] = quoteOf(compiled, {
      at: "2026-11-28T10:00:00Z",
      currency: "EUR",
      destination: { country: "PT", postcode: "1000-001" },
      cart: { lines: [{ sku: "goods", quantity: pieces, unitPrice: cents }] },
      shopper,
    }).options;
    return option?.price ?? option?.reason;
  };
}

describe("banded charges", () => {
  // F1, common practice, no source.
  it("F1: [0, 30) 4, [30, 75) 7, from 75 free", () => {
    const price = priceFor({
      kind: "bands",
      by: { kind: "value", basis },
      first: eur("4"),
      edges: [
        { edge: "from", at: eur("30"), price: eur("7") },
        { edge: "from", at: eur("75"), price: "free" },
      ],
    });
    expect([2999, 3000, 7499, 7500].map((cents) => price(cents))).toEqual([400, 700, 700, 0]);
  });

  // F8, common practice, no source. Below 40 nothing is offered.
  it("F8: over 40 up to 90 costs 3, over 90 is free, without one-cent tricks", () => {
    const price = priceFor({
      kind: "bands",
      by: { kind: "value", basis },
      first: "not-offered",
      edges: [
        { edge: "above", at: eur("40"), price: eur("3") },
        { edge: "above", at: eur("90"), price: "free" },
      ],
    });
    expect([4000, 4001, 9000, 9001].map((cents) => price(cents))).toEqual(["not-offered", 300, 300, 0]);
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
          by: { kind: "value", basis },
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

describe("charges under conditions", () => {
  const over8 = { kind: "items", is: "more-than", count: 8 } as const;
  const flat = (amount: string): Charge => ({ kind: "flat", amount: eur(amount) });

  // F5, common practice, no source.
  it("F5: the first that applies wins, so a narrower one below a wider one never does", () => {
    const wideFirst = priceFor({
      kind: "conditional",
      take: "first",
      entries: [
        { position: 1, charge: flat("12") },
        { position: 2, when: over8, charge: flat("5") },
      ],
    });
    const narrowFirst = priceFor({
      kind: "conditional",
      take: "first",
      entries: [
        { position: 2, charge: flat("12") },
        { position: 1, when: over8, charge: flat("5") },
      ],
    });
    expect(wideFirst(100, 9)).toBe(1200);
    expect([narrowFirst(100, 9), narrowFirst(100, 8)]).toEqual([500, 1200]);
  });

  it("take the sum, the highest or the lowest of those that apply, and none is no price", () => {
    const entries = [
      { position: 1, charge: { kind: "per-item", amount: eur("1.50") } as const },
      { position: 2, when: over8, charge: flat("20") },
    ];
    const taken = (take: "sum" | "highest" | "lowest") => priceFor({ kind: "conditional", take, entries });
    expect([taken("sum")(100, 9), taken("highest")(100, 9), taken("lowest")(100, 9)]).toEqual([3350, 2000, 1350]);
    expect([taken("sum")(100, 8), taken("highest")(100, 8), taken("lowest")(100, 8)]).toEqual([1200, 1200, 1200]);
    const never = priceFor({
      kind: "conditional",
      take: "first",
      entries: [{ position: 1, when: over8, charge: flat("5") }],
    });
    expect(never(100, 1)).toBe("no-entry");
  });

  it("give no price when what decides is not known, and one when it does not matter", () => {
    const loyal = { kind: "orders", is: "at-least", count: 3 } as const;
    const entries = [
      { position: 1, when: loyal, charge: flat("2") },
      { position: 2, charge: flat("6") },
    ];
    const first = { kind: "conditional", take: "first", entries } as const satisfies Charge;
    expect(priceFor({ ...first, entries: [...entries] })(100)).toBe("condition-unknown");
    expect(priceFor({ ...first, entries: [...entries] }, { orderCount: 3 })(100)).toBe(200);
    expect(priceFor({ ...first, entries: [...entries] }, { orderCount: 2 })(100)).toBe(600);
    const behind = entries.map((entry) => ({ ...entry, position: -entry.position + 3 }));
    expect(priceFor({ ...first, entries: behind })(100)).toBe(600);
  });
});
