import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type FullPrice, type Parts, sumOf } from "../delivery/full-price.ts";
import { offerSentence, wholeSentence } from "../explain/offer-sentence.ts";
import { majorUnits } from "../money/decimal.ts";
import { isAtMost, minus, rounded } from "../money/linear-amount.ts";
import { english } from "../phrases/speak.ts";
import type { QuoteRequest } from "../request/request.ts";
import {
  AppliedRewards,
  addsUp,
  applyRewards,
  type CompiledReward,
  comesDown,
  compileReward,
} from "../rewards/apply-rewards.ts";
import type { DeliveryReward } from "../rewards/reward.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { checkPlan } from "../validation/documents.ts";
import { bestSet, costWithoutOf, withoutIdle } from "./best-set.ts";
import { companiesOf } from "./companies.ts";

const context = { zone: null, market: "m", currency: "EUR", rates: new Map() };
const eur = (cents: number) => ({ byCurrency: { EUR: majorUnits(cents, 2) } });
const on = { options: ["o"] };

function compiledReward(reward: DeliveryReward): CompiledReward {
  const compiled = compileReward(reward, context);
  if (!compiled) throw new Error("the reward has no amount");
  return compiled;
}

const anyReward: fc.Arbitrary<CompiledReward> = fc
  .tuple(
    fc.oneof(
      fc.constant<DeliveryReward>({ kind: "free", ...on }),
      fc.nat(2000).map((cents): DeliveryReward => ({ kind: "flat-price", ...on, amount: eur(cents) })),
      fc.nat(2000).map((cents): DeliveryReward => ({ kind: "money-off", ...on, amount: eur(cents) })),
      fc.nat(2000).map((cents): DeliveryReward => ({ kind: "allowance", ...on, amount: eur(cents) })),
      fc.nat(100).map((percent): DeliveryReward => ({ kind: "percent-off", ...on, percent: String(percent) })),
      fc.constant<DeliveryReward>({ kind: "option-price", ...on, of: "other" }),
    ),
    fc.record({ handling: fc.boolean(), surcharges: fc.boolean(), ownCharges: fc.boolean() }),
    fc.option(fc.nat(6000), { nil: undefined }),
  )
  .map(([reward, covers, limit]) =>
    compiledReward({ ...reward, covers, ...(limit === undefined ? {} : { limit: eur(limit) }) }),
  );

const parts = (charge: number, handling = 0, surcharges = 0, own = 0): Parts => ({ charge, handling, surcharges, own });

describe("rewards on one option", () => {
  it("never raise a price, never make it negative, and with the same coverage one more never costs more", () => {
    const part = fc.nat(2000);
    fc.assert(
      fc.property(
        fc.tuple(part, part, part, part),
        fc.array(anyReward, { maxLength: 5 }),
        fc.option(fc.nat(3000), { nil: null }),
        ([charge, handling, surcharges, own], rewards, other) => {
          const full = parts(charge, handling, surcharges, own);
          const otherPrice = (): FullPrice => (other === null ? "not-offered" : parts(other));
          const priceWith = (some: readonly CompiledReward[]) =>
            applyRewards(full, some, { fullPriceOf: otherPrice, horizon: null, fullPriceWithout: () => "not-offered" });
          expect(isAtMost(0, priceWith(rewards), null)).toBe(true);
          expect(isAtMost(priceWith(rewards), sumOf(full), null)).toBe(true);
          const alike = rewards.map((reward) => ({ ...reward, handling: true, surcharges: true, own: true }));
          for (const [i] of alike.entries()) {
            const without = alike.filter((_, k) => k !== i);
            expect(isAtMost(priceWith(alike), priceWith(without), null)).toBe(true);
          }
          expect(isAtMost(priceWith(alike), priceWith(rewards), null)).toBe(true);
        },
      ),
      { numRuns: 2000 },
    );
  });

  it("add up where they say so: one of them more never costs more", () => {
    const part = fc.nat(2000);
    let several = 0;
    fc.assert(
      fc.property(
        fc.tuple(part, part, part, part),
        fc.array(anyReward, { minLength: 2, maxLength: 5 }).filter((rewards) => addsUp(rewards)),
        fc.nat(3000),
        ([charge, handling, surcharges, own], rewards, other) => {
          const priceWith = (some: readonly CompiledReward[]) =>
            applyRewards(parts(charge, handling, surcharges, own), some, {
              ...{ fullPriceOf: () => parts(other), horizon: null, fullPriceWithout: () => "not-offered" },
            });
          if (rewards.filter(comesDown).length > 1) several += 1;
          for (const left of rewards) {
            const without = rewards.filter((one) => one !== left);
            expect(isAtMost(priceWith(rewards), priceWith(without), null)).toBe(true);
          }
        },
      ),
      { numRuns: 1500 },
    );
    expect(several).toBeGreaterThan(20);
  });

  it("leave without one of them what the others come to by themselves", () => {
    const part = fc.nat(2000);
    fc.assert(
      fc.property(
        fc.tuple(part, part, part, part),
        fc.array(anyReward, { minLength: 1, maxLength: 6 }),
        fc.nat(3000),
        ([charge, handling, surcharges, own], rewards, other) => {
          const full = parts(charge, handling, surcharges, own);
          const tools = { fullPriceOf: () => parts(other), horizon: null, fullPriceWithout: () => parts(0) };
          const applied = new AppliedRewards(full, rewards, tools);
          expect(applied.price).toEqual(applyRewards(full, rewards, tools));
          for (const one of rewards) {
            const others = rewards.filter((reward) => reward !== one);
            expect(applied.without(one)).toEqual(applyRewards(full, others, tools));
          }
        },
      ),
      { numRuns: 1000 },
    );
  });

  it("come in a fixed order: another option's price, flat, percents multiplied, money off, allowance", () => {
    const half = compiledReward({ kind: "percent-off", ...on, percent: "50" });
    const off = compiledReward({ kind: "money-off", ...on, amount: eur(100) });
    const flat = compiledReward({ kind: "flat-price", ...on, amount: eur(490) });
    const same = compiledReward({ kind: "option-price", ...on, of: "x" });
    const price = (charge: number, rewards: CompiledReward[], other: FullPrice = "not-offered") =>
      rounded(
        applyRewards(parts(charge), rewards, {
          fullPriceOf: () => other,
          horizon: null,
          fullPriceWithout: () => "not-offered",
        }),
      );
    expect(price(950, [off, half, flat])).toBe(145);
    expect(price(950, [half, half])).toBe(238);
    expect(price(950, [same, half], parts(491))).toBe(246);
    expect(price(300, [flat])).toBe(300);
  });

  it("add up to the best of every allowed set of offers, as trying each of them finds", () => {
    const part = fc.nat(900);
    fc.assert(
      fc.property(
        fc.tuple(part, part, part, part),
        fc.array(anyReward, { minLength: 1, maxLength: 6 }),
        fc.array(fc.boolean(), { minLength: 36, maxLength: 36 }),
        ([charge, handling, surcharges, own], rewards, pairs) => {
          const full = parts(charge, handling, surcharges, own);
          const numbers = rewards.map((_, i) => i);
          const friends = (a: number, b: number) => pairs[Math.min(a, b) * 6 + Math.max(a, b)] === true;
          const cost = (set: readonly number[], cover: Partial<CompiledReward> = {}) => ({
            net: applyRewards(
              full,
              set.flatMap((i) => (rewards[i] ? [{ ...rewards[i], ...cover }] : [])),
              { fullPriceOf: () => "not-offered", horizon: null, fullPriceWithout: () => "not-offered" },
            ),
            grants: 0,
          });
          const bound = (set: readonly number[]) => cost(set, { handling: true, surcharges: true, own: true });
          const companies = companiesOf(numbers.map((a) => numbers.map((b) => a !== b && friends(a, b))));
          const stacking = { canStack: friends, companyOf: companies.of, complete: companies.complete };
          const whole = bestSet(numbers, stacking, (set) => cost(set), bound, null);
          const found = { ...whole, set: withoutIdle(whole, costWithoutOf(whole.set, cost), null) };
          const sets = Array.from({ length: 2 ** rewards.length }, (_, bits) => numbers.filter((i) => (bits >> i) & 1));
          const allowed = sets.filter((set) => set.every((a) => set.every((b) => a === b || friends(a, b))));
          for (const set of allowed) {
            expect(isAtMost(found.cost.net, cost(set).net, null)).toBe(true);
          }
          expect(allowed.map((set) => set.join())).toContain([...found.set].sort().join());
          expect(minus(cost(found.set).net, found.cost.net)).toBe(0);
          for (const i of found.set) {
            const without = found.set.filter((other) => other !== i);
            expect(found.set.length === 1 || !isAtMost(cost(without).net, found.cost.net, null)).toBe(true);
          }
        },
      ),
      { numRuns: 500 },
    );
  });

  it("leave a product's own charge to the shopper, and take handling away, unless they say otherwise", () => {
    const free = compiledReward({ kind: "free", ...on });
    const all = compiledReward({ kind: "free", ...on, covers: { ownCharges: true } });
    const bare = compiledReward({ kind: "free", ...on, covers: { handling: false, surcharges: false } });
    const left = (reward: CompiledReward) =>
      applyRewards(parts(500, 100, 50, 300), [reward], {
        fullPriceOf: () => "not-offered",
        horizon: null,
        fullPriceWithout: () => "not-offered",
      });
    expect([free, all, bare].map(left)).toEqual([300, 0, 450]);
  });
});

const demo = checkPlan(JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8")));
if (!("value" in demo)) throw new Error("the demo plan does not fit its schema");
const plan = demo.value;

describe("the demo plan, as its people and its shoppers read it", () => {
  it("says each offer in one sentence, in every market's own money", () => {
    const words = (offer: number, market: string, currency: string) => {
      const found = plan.offers[offer];
      return found && english(wholeSentence(offerSentence(plan, found, market, currency)));
    };
    expect(words(0, "portugal", "EUR")).toBe("Free Standard delivery from €45, in Mainland Portugal.");
    expect(words(1, "japan", "JPY")).toBe(
      "Free Post delivery from ¥9,500, and Courier at the price of Post from ¥17,500, in Spain, Other euro area, Great Britain, United States, Japan, and Kuwait.",
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
        destination: { country: "AT", postcode: "1010" },
        cart: { lines: [{ sku: "goods", quantity: 1, unitPrice }] },
      });
    expect(post(5999)).toEqual(["Add €0.01 more for free post", "Sign in, and post costs €3.90"]);
    // Post is free now: nobody is asked to sign in for less than they have.
    expect(post(6000)).toEqual(["Post is free", "Courier for the price of post with €50.00 more"]);
    expect(post(11000)).toEqual(["Courier for the price of post"]);
    expect(messages({ locale: "en", cart: { lines: [] } })).toEqual(["Free standard delivery from €45"]);
    expect(messages({ locale: "en", destination: { country: "PT", postcode: "9000-001" } })).toEqual([]);
    expect(messages({ locale: "en", destination: { country: "PT" } })).toEqual([
      "Free standard delivery from €45 in mainland Portugal",
    ]);
  });

  // schema.org, freeShippingThreshold of ShippingRateSettings: "a monetary value above (or at) which the shipping rate
  // becomes free" (from memory): a goal with the edge `from` is what that property publishes.
  it("is free at the amount that is published, and not a cent below it", () => {
    const standard = (unitPrice: number) =>
      quoteOf(compiledPlan(plan), ask({ cart: { lines: [{ sku: "goods", quantity: 1, unitPrice }] } })).options[0]
        ?.price;
    expect([4499, 4500, 4501].map(standard)).toEqual([490, 0, 0]);
  });

  it("charges an Alaskan, a Highlander and an islander their own price, and a stranger none", () => {
    const ink = { sku: "ink", quantity: 1, unitPrice: 3860, weight: { value: "95", unit: "g" as const } };
    const prices = (change: Partial<QuoteRequest>) =>
      quoteOf(compiledPlan(plan), ask({ cart: { lines: [ink] }, ...change }))
        .options.filter(({ available, way }) => available && way !== "collected")
        .map(({ id, price }) => [id, price]);
    expect(prices({ currency: "USD", destination: { country: "US", postcode: "99501-1234" } })).toEqual([
      ["far-post", 1850],
    ]);
    expect(prices({ currency: "USD", destination: { country: "US", region: "US-HI" } })).toEqual([["far-post", 1850]]);
    expect(prices({ currency: "GBP", destination: { country: "GB", postcode: "iv2 3rt" } })).toEqual([
      ["far-post", 1190],
      ["courier", 1500],
    ]);
    expect(prices({ destination: { country: "PT", postcode: "9000-082" } })).toEqual([
      ["islands", 990],
      ["by-air", 1780],
    ]);
    expect(prices({ destination: { country: "CA", postcode: "K1A 0B1" } })).toEqual([]);
  });
});
