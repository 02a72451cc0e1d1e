import { describe, expect, it } from "vitest";
import type { Charge } from "../../core/charges/charge.ts";
import type { CarrierQuestion, CarrierReply } from "../../core/quote/carriers/carrier-questions.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { compiledPlan, quoteOf } from "../../core/tests/compiled.ts";
import { oneZonePlan } from "../../core/tests/one-zone.ts";
import { askCarriers, ownCarriers, withCarrierAnswers } from "./ask-carriers.ts";
import type { Carrier } from "./carrier.ts";

const question = (more: Partial<CarrierQuestion> = {}): CarrierQuestion => ({
  carrier: "osprelle",
  service: "parcel",
  weight: 1_200_000,
  origin: { country: "PT", postcode: "4050-290", at: [41.15, -8.61] },
  destination: { country: "PT", postcode: "1100-062" },
  at: "2026-11-24T10:00:00Z",
  ...more,
});

describe("carriers", () => {
  it("answer from their rate cards: by zone, service and weight begun, within what they take", async () => {
    const replies = await askCarriers(
      [
        question(),
        question({ weight: 2_000_000 }),
        question({ weight: 2_000_001 }),
        question({ destination: { country: "PT", postcode: "9000-082" } }),
        question({ weight: 30_000_001 }),
        question({ destination: { country: "JP" } }),
        question({ destination: {} }),
        question({ service: "balloon" }),
        question({ carrier: "the-shops-own" }),
      ],
      ownCarriers(),
    );
    const prices = [460, 460, 505, 1070].map((price): CarrierReply => ({ price, currency: "EUR" }));
    const none = (["too-heavy", "not-served", "not-served", "not-served"] as const).map((problem) => ({ problem }));
    expect(replies).toEqual([...prices, ...none, null]);
  });

  it("know their customers by account: what was agreed on, or the list all the same; nobody else's number is guessed", async () => {
    const known = { account: "OS-4711" };
    const replies = await askCarriers(
      [
        question({ account: known }),
        question({ account: { ...known, prices: "list" } }),
        question({ account: { account: "4711" } }),
        question({
          carrier: "veldcart",
          service: "air",
          destination: { country: "JP" },
          account: { account: "VC 123456" },
        }),
      ],
      ownCarriers(),
    );
    // 88 % of 4.60, 4.60, and 91 % of 26.80 + 8.10 for the second kilogram.
    expect(replies).toEqual([
      { price: 405, currency: "EUR" },
      { price: 460, currency: "EUR" },
      { problem: "unknown-account" },
      { price: 3176, currency: "USD" },
    ]);
    const plan = (account: string) =>
      compiledPlan({
        ...oneZonePlan({
          options: [
            {
              ...{ id: "parcel", position: 1, name: { en: "Parcel" }, zones: ["z"] },
              charge: { kind: "carrier", carrier: "osprelle", service: "parcel" },
            },
          ],
        }),
        store: { name: "One zone", chosenAtFirst: { rule: "first" }, carriers: { osprelle: { account } } },
      });
    const cart = {
      lines: [{ sku: "ink", quantity: 2, unitPrice: 1000, weight: { value: "600", unit: "g" as const } }],
    };
    const destination = { country: "PT", postcode: "1100-062" };
    const asked = { at: "2026-11-24T10:00:00Z", currency: "EUR", destination, cart };
    const answer = async (account: string) =>
      quoteOf(plan(account), await withCarrierAnswers(plan(account), asked, ownCarriers())).options[0];
    expect(await answer("OS-0001")).toMatchObject({ price: 405, available: true });
    expect(await answer("nobody")).toMatchObject({ price: null, reason: "carrier-account-unknown" });
  });

  it("are asked at once and waited for no longer than the deadline, whether they heed it or not", async () => {
    const deaf: Carrier = { id: "deaf", name: "Deaf", services: [], ask: () => new Promise(() => {}) };
    const started = performance.now();
    const replies = await askCarriers(
      [question(), question({ carrier: "veldcart" }), question({ carrier: "deaf" }), question({ service: "morning" })],
      [...ownCarriers({ veldcart: "slow" }), deaf],
      300,
    );
    expect(replies.map((reply) => (reply && "problem" in reply ? reply.problem : "price"))).toEqual([
      "price",
      "slow",
      "slow",
      "price",
    ]);
    expect(performance.now() - started).toBeLessThan(1500);
    expect(await askCarriers([question()], ownCarriers({ osprelle: "failing" }))).toEqual([{ problem: "failed" }]);
  });

  it("give a quote its price in the shopper's currency, and leave it to the fallback when they fail", async () => {
    const fallback: Charge = { kind: "flat", amount: { byCurrency: { EUR: "9.00", USD: "11.00" } } };
    const carrier: Charge = { kind: "carrier", carrier: "osprelle", service: "parcel", fallback };
    const { markets, ...oneZone } = oneZonePlan({
      options: [{ id: "parcel", position: 1, name: { en: "Parcel" }, zones: ["z"], charge: carrier }],
      rates: [{ id: "reference", base: "EUR", days: [{ date: "2026-11-20", rates: { USD: "1.0872" } }] }],
    });
    const plan = compiledPlan({
      ...oneZone,
      markets: markets.map((market) => ({ ...market, currencies: ["EUR", "USD", "CHF"] })),
    });
    const request = (currency: string): QuoteRequest => ({
      at: "2026-11-24T10:00:00Z",
      currency,
      destination: { country: "PT", postcode: "1100-062" },
      cart: { lines: [{ sku: "ink", quantity: 2, unitPrice: 1000, weight: { value: "600", unit: "g" } }] },
    });
    const priceWith = async (asked: QuoteRequest, carriers: Carrier[]) =>
      quoteOf(plan, await withCarrierAnswers(plan, asked, carriers)).options[0]?.price;
    expect(await priceWith(request("EUR"), ownCarriers())).toBe(460);
    // 4.60 × 1.0872 = 5.00112
    expect(await priceWith(request("USD"), ownCarriers())).toBe(500);
    expect(await priceWith(request("USD"), ownCarriers({ osprelle: "failing" }))).toBe(1100);
    // No rate and no fallback amount: nothing to charge, so it cannot be had.
    expect(await priceWith(request("CHF"), ownCarriers())).toBeNull();
    const own = { ...request("EUR"), carriers: [{ carrier: "osprelle", service: "parcel", price: 333 }] };
    expect(await priceWith(own, ownCarriers())).toBe(333);
    // An answer is for the parcel it was asked about.
    const heavier = await withCarrierAnswers(plan, request("EUR"), ownCarriers());
    const [line] = heavier.cart.lines;
    if (!line) throw new Error("the cart has a line");
    const changed = quoteOf(plan, { ...heavier, cart: { lines: [{ ...line, quantity: 3 }] } });
    expect(changed.options[0]?.price).toBe(900);
  });
});
