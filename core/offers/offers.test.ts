import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { checkPlan } from "../../server/validation/documents.ts";
import type { QuoteRequest } from "../quote/request.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { type CompiledReward, rewarded } from "./reward.ts";
import { offerSentence } from "./words.ts";

const anyReward: fc.Arbitrary<CompiledReward> = fc.oneof(
  fc.constant<CompiledReward>({ kind: "free" }),
  fc.record({ kind: fc.constant("flat-price"), price: fc.nat(2000) }),
  fc.record({ kind: fc.constant("money-off"), amount: fc.nat(2000) }),
  fc.nat(100).map((percent): CompiledReward => ({ kind: "percent-off", left: { n: BigInt(100 - percent), d: 100n } })),
  fc.constant<CompiledReward>({ kind: "option-price", of: "other" }),
);

describe("rewards on one option", () => {
  it("never raise a price, never make it negative, and never depend on the order they were earned in", () => {
    fc.assert(
      fc.property(
        fc.nat(3000),
        fc.array(anyReward, { maxLength: 5 }),
        fc.option(fc.nat(3000), { nil: undefined }),
        (price, rewards, other) => {
          const after = rewarded(price, rewards, () => other);
          expect(after).toBeGreaterThanOrEqual(0);
          expect(after).toBeLessThanOrEqual(price);
          expect(rewarded(price, [...rewards].reverse(), () => other)).toBe(after);
          for (const [i] of rewards.entries()) {
            expect(after).toBeLessThanOrEqual(
              rewarded(
                price,
                rewards.filter((_, k) => k !== i),
                () => other,
              ),
            );
          }
        },
      ),
    );
  });

  it("come in a fixed order: another option's price, flat, percents multiplied, money off; rounded once", () => {
    const half: CompiledReward = { kind: "percent-off", left: { n: 1n, d: 2n } };
    const off: CompiledReward = { kind: "money-off", amount: 100 };
    const none = () => undefined;
    expect(rewarded(950, [off, half, { kind: "flat-price", price: 490 }], none)).toBe(145);
    expect(rewarded(950, [half, half], none)).toBe(238);
    expect(rewarded(950, [{ kind: "option-price", of: "x" }, half], () => 491)).toBe(246);
    expect(rewarded(300, [{ kind: "flat-price", price: 490 }], none)).toBe(300);
  });
});

const demo = checkPlan(JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8")));
if (!("value" in demo)) throw new Error("the demo plan does not fit its schema");
const plan = demo.value;

describe("the demo plan, as its people and its shoppers read it", () => {
  it("says each offer in one sentence, in every market's own money", () => {
    const words = (offer: number, market: string, currency: string) => {
      const found = plan.offers[offer];
      return (
        found &&
        offerSentence(plan, found, market, currency)
          .map(({ text }) => text)
          .join("")
      );
    };
    expect(words(0, "portugal", "EUR")).toBe("Free Standard delivery from €45, in Mainland Portugal.");
    expect(words(1, "japan", "JPY")).toBe(
      "Free Post delivery from ¥9,500, and Courier at the price of Post from ¥17,500, in Euro area, Great Britain, United States, Japan, and Kuwait.",
    );
  });

  const ask = (change: Partial<QuoteRequest>): QuoteRequest => ({
    at: "2026-11-28T10:00:00Z",
    currency: "EUR",
    destination: { country: "PT", postcode: "3000-001" },
    cart: { lines: [{ sku: "goods", quantity: 1, unitPrice: 3860 }] },
    ...change,
  });
  const messages = (change: Partial<QuoteRequest>) =>
    quoteOf(compiledPlan(plan), ask(change))
      .messages.filter(({ surface }) => surface === "cart")
      .map(({ text }) => text.replaceAll(/[\u00a0\u202f]/g, " "));

  it("speaks the shopper's language, else the market's, and writes money their way", () => {
    expect(messages({ locale: "pt-PT" })).toEqual(["Faltam 6,40 € para a entrega normal grátis"]);
    expect(messages({})).toEqual(["Faltam 6,40 € para a entrega normal grátis"]);
    expect(messages({ locale: "en-IE" })).toEqual(["Add €6.40 more for free standard delivery"]);
    // Nobody wrote Dutch: the market's first language is read, with its own way of writing money.
    expect(messages({ locale: "nl" })).toEqual(["Faltam 6,40 € para a entrega normal grátis"]);
  });

  it("says what is earned and what is next, goes silent where nothing can be promised, and speaks of places when unknown", () => {
    const post = (unitPrice: number) =>
      messages({
        locale: "en",
        destination: { country: "ES", postcode: "28001" },
        cart: { lines: [{ sku: "goods", quantity: 1, unitPrice }] },
      });
    expect(post(5999)).toEqual(["Add €0.01 more for free post"]);
    expect(post(6000)).toEqual(["Post is free", "Courier for the price of post with €50.00 more"]);
    expect(post(11000)).toEqual(["Courier for the price of post"]);
    expect(messages({ locale: "en", cart: { lines: [] } })).toEqual(["Free standard delivery from €45"]);
    expect(messages({ locale: "en", destination: { country: "PT", postcode: "9000-001" } })).toEqual([]);
    expect(messages({ locale: "en", destination: { country: "PT" } })).toEqual([
      "Free standard delivery from €45 in mainland Portugal",
    ]);
  });

  it("charges an Alaskan, a Highlander and an islander their own price, and a stranger none", () => {
    const prices = (change: Partial<QuoteRequest>) =>
      quoteOf(compiledPlan(plan), ask(change)).options.map(({ id, price }) => [id, price]);
    expect(prices({ currency: "USD", destination: { country: "US", postcode: "99501-1234" } })).toEqual([
      ["far-post", 1600],
    ]);
    expect(prices({ currency: "USD", destination: { country: "US", region: "US-HI" } })).toEqual([["far-post", 1600]]);
    expect(prices({ currency: "GBP", destination: { country: "GB", postcode: "iv2 3rt" } })).toEqual([
      ["far-post", 1190],
      ["courier", 1500],
    ]);
    expect(prices({ destination: { country: "PT", postcode: "9000-082" } })).toEqual([["islands", 890]]);
    expect(prices({ destination: { country: "CA", postcode: "K1A 0B1" } })).toEqual([]);
  });
});
