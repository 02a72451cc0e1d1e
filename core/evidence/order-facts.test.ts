import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { quote } from "../quote/quote.ts";
import type { CartLine, QuoteRequest } from "../request/request.ts";
import "../tests/seed.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { checkPlan } from "../validation/documents.ts";
import { goalsOfPlan } from "./goals-of-plan.ts";
import { countingOf, countsOfLines, orderFacts, TOTAL } from "./order-facts.ts";
import type { PastOrder } from "./past-order.ts";

const read = checkPlan(JSON.parse(readFileSync("demo/plan.json", "utf8")));
if ("problems" in read) throw new Error("the demo cannot be read");
const { value: plan } = read;
const compiled = compiledPlan(plan);
const goals = goalsOfPlan(plan);
const ADDRESSES: Readonly<Record<string, QuoteRequest["destination"]>> = {
  portugal: { country: "PT", postcode: "3000-001" },
  "united-kingdom": { country: "GB", postcode: "M1 1AA" },
  "united-states": { country: "US", postcode: "10001" },
};

const lines: fc.Arbitrary<CartLine[]> = fc.array(
  fc
    .record({
      quantity: fc.integer({ min: 1, max: 3 }),
      unitPrice: fc.integer({ min: 100, max: 900 }),
      categories: fc.constantFrom<string[]>(["paper"], ["gift-cards"], []),
      discount: fc.option(fc.integer({ min: 0, max: 90 }), { nil: undefined }),
    })
    .map(({ discount, ...line }) => ({ sku: "any", ...line, ...(discount === undefined ? {} : { discount }) })),
  { minLength: 1, maxLength: 5 },
);
const off = fc.option(
  fc.integer({ min: 1, max: 30 }).map((percent) => [{ percent: String(percent) }]),
  { nil: undefined },
);

describe("what an order is worth, as an offer counts it", () => {
  it("is what the quote has left over of the goal", () => {
    let compared = 0;
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(ADDRESSES)), lines, off, (market, cart, discounts) => {
        const currency = plan.markets.find(({ id }) => id === market)?.currencies[0] ?? "EUR";
        const request: QuoteRequest = {
          ...{ at: "2026-11-25T09:00:00Z", currency, destination: ADDRESSES[market] ?? {} },
          cart: { lines: cart.map((line, i) => ({ ...line, sku: `p-${i}` })), ...(discounts ? { discounts } : {}) },
        };
        const order: PastOrder = { order: "o-1", request, option: "standard", charged: 0 };
        const answer = quote(compiled, request, { text: false });
        if ("problems" in answer) throw new Error("it can be quoted");
        for (const { offer, step, remaining } of answer.quote.progress) {
          const goal = goals.find((one) => one.offer === offer && one.step === step && one.market === market);
          // What takes money off as it grows is met a little later: see docs/semantics.md.
          if (!goal || remaining === null || remaining <= 0 || discounts) continue;
          expect(countingOf(compiled, goal.counting)(order)).toBe(goal.goal - remaining);
          compared += 1;
        }
        expect(orderFacts(compiled, order)).toMatchObject({ market, currency, day: "2026-11-25" });
      }),
      { numRuns: 500 },
    );
    expect(compared).toBeGreaterThan(100);
  });

  it("adds up line by line where nothing is taken off the whole", () => {
    fc.assert(
      fc.property(lines, (cart) => {
        const named = cart.map((line, i) => ({ ...line, sku: `p-${i}` }));
        const request: QuoteRequest = {
          ...{ at: "2026-11-25T09:00:00Z", currency: "EUR", destination: ADDRESSES.portugal ?? {} },
          cart: { lines: named },
        };
        const each = countsOfLines(compiled, TOTAL, { market: "portugal", currency: "EUR" }, named);
        const whole = countingOf(compiled, TOTAL)({ order: "o", request, option: "standard", charged: 0 });
        expect(each.reduce((sum, one) => sum + one, 0)).toBe(whole);
      }),
    );
  });

  it("cannot be told where the place leads to no one zone, nor of a total counted otherwise", () => {
    const request: QuoteRequest = {
      ...{ at: "2026-11-25T23:30:00Z", currency: "EUR", destination: { country: "PT" } },
      cart: { lines: [{ sku: "ink", quantity: 1, unitPrice: 980 }] },
    };
    const order: PastOrder = { order: "o-1", request, option: "standard", charged: 0 };
    expect(countingOf(compiled, TOTAL)(order)).toBeNull();
    expect(orderFacts(compiled, order)).toMatchObject({ market: null, zone: null, total: 980 });
    const plain = { order: "o-2", at: "2026-11-25T23:30:00Z", currency: "JPY", total: 5000, charged: 0 };
    const others = { ...TOTAL, basis: { ...TOTAL.basis, tax: "without" as const } };
    expect([countingOf(compiled, TOTAL)(plain), countingOf(compiled, others)(plain)]).toEqual([5000, null]);
    // It was the next morning in Tokyo.
    expect(orderFacts(compiled, plain)).toMatchObject({ market: "japan", day: "2026-11-26" });
    expect(orderFacts(null, plain)).toMatchObject({ market: null, day: "2026-11-25" });
  });
});
