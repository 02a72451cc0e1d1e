import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { optionPrice } from "../quote/option-price.ts";
import type { Reward } from "../rewards/reward.ts";
import "../tests/seed.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { givenBy } from "./given.ts";
import { marginParts, meanMargin } from "./margin.ts";

const context = { zone: null, market: "m", currency: "EUR", rates: new Map() };
const known = { context, perDelivery: 490, costOf: (sku: string) => (sku === "bone-folder" ? 250 : null) };
const euros = (text: string) => ({ byCurrency: { EUR: text } });

describe("what is given at a goal", () => {
  it("is gifts at what they cost the store, money off and a part of the worth, added up (worked by hand)", () => {
    const rewards: Reward[] = [
      { kind: "free", options: ["standard"] },
      { kind: "gift", sku: "bone-folder", quantity: 2 },
      { kind: "order-money-off", amount: euros("3.00") },
      { kind: "order-percent-off", percent: "7.5" },
    ];
    const given = givenBy(rewards, known);
    expect(given).toMatchObject({ delivery: 490, order: 2 * 250 + 300 });
    expect(given?.ofWorth).toBeCloseTo(0.075, 12);
    // 10 % and 20 % leave nine tenths of eight tenths.
    const two = ["10", "20"].map((percent): Reward => ({ kind: "order-percent-off", percent }));
    expect(givenBy(two, known)?.ofWorth).toBeCloseTo(0.28, 12);
    expect(givenBy([], known)).toEqual({ delivery: 0, order: 0, ofWorth: 0 });
  });

  it("is not told where it is not known: another option's price, goods nobody sells, a currency without an amount", () => {
    expect(givenBy([{ kind: "option-price", options: ["express"], of: "standard" }], known)).toBeNull();
    expect(givenBy([{ kind: "gift", sku: "nowhere", quantity: 1 }], known)).toBeNull();
    expect(givenBy([{ kind: "order-money-off", amount: { byCurrency: { USD: "5.00" } } }], known)).toBeNull();
  });
});

describe("what is given on delivery", () => {
  it("is what a quote takes off a delivery of that price, whatever rewards meet", () => {
    const on = { options: ["standard"] };
    const amount = fc.integer({ min: 1, max: 900 }).map((minor) => euros((minor / 100).toFixed(2)));
    const limit = fc.option(amount, { nil: undefined }).map((at) => (at ? { limit: at } : {}));
    const reward = fc.oneof(
      fc.record({ kind: fc.constant("free" as const) }),
      fc.record({ kind: fc.constantFrom("flat-price" as const, "money-off" as const, "allowance" as const), amount }),
      fc.record({ kind: fc.constant("percent-off" as const), percent: fc.integer({ min: 1, max: 100 }).map(String) }),
    );
    const rewards = fc.array(
      fc.tuple(reward, limit).map(([one, up]): Reward => ({ ...one, ...on, ...up })),
      { minLength: 1, maxLength: 4 },
    );
    fc.assert(
      fc.property(rewards, fc.integer({ min: 1, max: 900 }), (all, price) => {
        const compiled = compiledPlan(
          oneZonePlan({
            options: [
              {
                ...{ id: "standard", position: 1, name: { en: "Standard" }, zones: ["z"] },
                charge: { kind: "flat", amount: euros((price / 100).toFixed(2)) },
              },
            ],
            offers: [
              {
                ...{ id: "o", position: 1, name: "O", on: true, zones: ["z"] },
                counts: { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } },
                steps: all.map((one, i) => ({
                  ...{ id: `s-${i}`, position: i, trigger: { kind: "nothing" as const }, reward: one, wording: {} },
                })),
              },
            ],
          }),
        );
        const priced = optionPrice(
          compiled,
          {
            ...{ at: "2026-11-27T09:00:00Z", currency: "EUR", destination: { country: "PT", postcode: "3000-001" } },
            cart: { lines: [{ sku: "a", quantity: 1, unitPrice: 1000 }] },
          },
          "standard",
        );
        if (!("price" in priced)) throw new Error(JSON.stringify(priced));
        expect(givenBy(all, { ...known, perDelivery: price })).toEqual({
          ...{ delivery: priced.fullPrice - priced.price, order: 0, ofWorth: 0 },
        });
      }),
    );
  });
});

describe("margins", () => {
  const mix = [
    { categories: ["sale", "paper"], worth: 600 },
    { categories: ["paper"], worth: 200 },
    { categories: ["ink"], worth: 100 },
    { categories: [], worth: 100 },
  ];

  it("are those of the first category that has one, weighed by what was bought (worked by hand)", () => {
    const parts = marginParts(mix, {
      others: 0.5,
      byCategory: new Map([
        ["paper", 0.25],
        ["tools", 0.9],
      ]),
    });
    expect(parts).toEqual([
      { category: "paper", worth: 800, margin: 0.25 },
      { category: null, worth: 200, margin: 0.5 },
    ]);
    expect(meanMargin(parts, 0.5)).toBeCloseTo(0.3, 12);
    expect(meanMargin([], 0.5)).toBe(0.5);
  });

  it("lie between the least and the most stated, and count all that was bought", () => {
    const category = fc.constantFrom("paper", "ink", "tools", "sale");
    const bought = fc.array(
      fc.record({ categories: fc.uniqueArray(category, { maxLength: 3 }), worth: fc.nat(100_000) }),
      { minLength: 1, maxLength: 12 },
    );
    const stated = fc.dictionary(category, fc.double({ min: 0, max: 1, noNaN: true }));
    fc.assert(
      fc.property(bought, stated, fc.double({ min: 0, max: 1, noNaN: true }), (all, own, others) => {
        const parts = marginParts(all, { others, byCategory: new Map(Object.entries(own)) });
        const worth = (of: readonly { worth: number }[]) => of.reduce((sum, one) => sum + one.worth, 0);
        expect(worth(parts)).toBe(worth(all));
        const margin = meanMargin(parts, others);
        const every = [others, ...Object.values(own)];
        expect(margin).toBeGreaterThanOrEqual(Math.min(...every) - 1e-9);
        expect(margin).toBeLessThanOrEqual(Math.max(...every) + 1e-9);
      }),
    );
  });
});
