import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { quote } from "../quote/quote.ts";
import type { CartLine, QuoteRequest } from "../request/request.ts";
import "../tests/seed.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { checkPlan } from "../validation/documents.ts";
import { suggestionsFor } from "./suggestions.ts";

const read = checkPlan(JSON.parse(readFileSync("demo/plan.json", "utf8")));
if ("problems" in read) throw new Error("the demo cannot be read");
const demo = compiledPlan(read.value);

const piece = (sku: string, unitPrice: number, more: Partial<CartLine> = {}): CartLine => ({
  ...{ sku, quantity: 1, unitPrice },
  ...more,
});
const asks = (lines: CartLine[], more: Partial<QuoteRequest["cart"]> = {}): QuoteRequest => ({
  at: "2026-11-25T09:00:00Z",
  currency: "EUR",
  destination: { country: "PT", postcode: "3000-001" },
  cart: { lines, ...more },
});
const standard = (request: QuoteRequest, products: readonly CartLine[]) => {
  const found = suggestionsFor(demo, request, products);
  return "problems" in found ? undefined : found.suggestions.find(({ offer }) => offer === "free-standard");
};

describe("products that fill the gap", () => {
  it("are those with the least beyond it, one or two (worked by hand: a goal of 45.00, 38.60 in the cart)", () => {
    const products = [piece("a", 200), piece("b", 450), piece("c", 640), piece("d", 700), piece("e", 5000)];
    const found = standard(asks([piece("paper", 3860)]), products);
    expect(found).toMatchObject({ gap: 640, measure: "value" });
    expect(found?.one).toEqual([
      { skus: ["c"], beyond: 0 },
      { skus: ["d"], beyond: 60 },
      { skus: ["e"], beyond: 4360 },
    ]);
    expect(found?.two).toEqual([
      { skus: ["a", "b"], beyond: 10 },
      { skus: ["b", "b"], beyond: 260 },
    ]);
  });

  it("leave out what does not count, and are none where nothing would do", () => {
    const card = piece("card", 2500, { categories: ["gift-cards"], delivery: { kind: "nothing-to-ship" } });
    const found = standard(asks([piece("paper", 3860)]), [card, piece("pin", 100)]);
    expect(found).toMatchObject({ one: [], two: [] });
    expect(standard(asks([piece("paper", 9000)]), [card])).toBeUndefined();
  });

  it("leave out what would reach the goal and cost the reward: no courier takes an easel", () => {
    const of = (name: string): QuoteRequest => JSON.parse(readFileSync(`demo/requests/${name}.json`, "utf8"));
    const [easel] = of("porto-evening").cart.lines;
    const [paper] = of("berlin-guest").cart.lines;
    if (!easel || !paper) throw new Error("the demo has them");
    const request = { ...of("berlin-guest"), cart: { lines: [paper] } };
    const press = { ...paper, sku: "press", quantity: 1, unitPrice: easel.unitPrice + 500 };
    const found = suggestionsFor(demo, request, [easel, press]);
    const courier = "problems" in found ? undefined : found.suggestions.find(({ step }) => step === "courier-at-post");
    expect(courier?.one.map(({ skus }) => skus)).toEqual([["press"]]);
    // By post both may go.
    const post = "problems" in found ? undefined : found.suggestions.find(({ step }) => step === "free-post");
    expect(post?.one.map(({ skus }) => skus)).toEqual([["studio-easel"], ["press"]]);
  });

  it("bring the cart to the goal as a quote of it says, and no other one or two do with less beyond", () => {
    const products = fc.array(fc.integer({ min: 50, max: 4000 }), { minLength: 1, maxLength: 12 });
    const off = fc.option(fc.integer({ min: 1, max: 40 }), { nil: undefined });
    fc.assert(
      fc.property(products, fc.integer({ min: 100, max: 4400 }), off, (prices, worth, percent) => {
        const sold = prices.map((price, i) => piece(`p-${i}`, price));
        const discounts = percent === undefined ? {} : { discounts: [{ percent: String(percent) }] };
        const request = asks([piece("paper", worth)], discounts);
        const found = standard(request, sold);
        if (!found) return;
        const remaining = (more: readonly CartLine[]): number => {
          const asked = asks(
            [piece("paper", worth), ...more.map((line, i) => ({ ...line, sku: `${line.sku} ${i}` }))],
            discounts,
          );
          const answer = quote(demo, asked, { text: false });
          if ("problems" in answer) throw new Error("it can be quoted");
          return answer.quote.progress.find(({ offer }) => offer === "free-standard")?.remaining ?? 0;
        };
        const linesOf = (skus: readonly string[]) => skus.flatMap((sku) => sold.filter((line) => line.sku === sku));
        for (const { skus } of [...found.one, ...found.two])
          expect(remaining(skus.flatMap((sku) => linesOf([sku])))).toBe(0);
        const reaching = sold.filter((line) => remaining([line]) === 0);
        expect(found.one.length).toBe(Math.min(3, reaching.length));
        const cheapest = Math.min(...reaching.map(({ unitPrice }) => unitPrice));
        if (found.one[0]) expect(linesOf(found.one[0].skus)[0]?.unitPrice).toBe(cheapest);
        const short = sold.filter((line) => !reaching.includes(line));
        const pairs = short.flatMap((a) => short.map((b) => [a, b])).filter((pair) => remaining(pair) === 0);
        expect(found.two.length > 0).toBe(pairs.length > 0);
        const sumOf = (pair: readonly CartLine[]) => pair.reduce((sum, { unitPrice }) => sum + unitPrice, 0);
        if (found.two[0] && percent === undefined) {
          const [first, second] = found.two[0].skus;
          const sum = sumOf([...linesOf([first ?? ""]), ...linesOf([second ?? ""])]);
          expect(sum).toBe(Math.min(...pairs.map(sumOf)));
        }
      }),
      { numRuns: 150 },
    );
  });
});
