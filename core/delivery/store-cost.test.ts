import { describe, expect, it } from "vitest";
import { readLine } from "../cart/read-cart.ts";
import { storeCosts } from "../queries/store-costs.ts";
import type { CartLine } from "../request/request.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { type StoreCost, storeCost } from "./store-cost.ts";

const context = { zone: null, market: "m", currency: "EUR", rates: new Map() };
const amount = { byCurrency: { EUR: "26.00" } };
const line = (kilograms: string | null, quantity = 1): CartLine => ({
  sku: "any",
  quantity,
  unitPrice: 1000,
  ...(kilograms === null ? {} : { weight: { value: kilograms, unit: "kg" } }),
});
const costOf = (cost: StoreCost, ...lines: CartLine[]) => storeCost(cost, lines.map(readLine), context);

describe("what a delivery costs the store", () => {
  it("is so much a delivery, a share of a trip rounded once, or so much for each parcel that is begun", () => {
    expect(costOf({ per: "delivery", amount }, line("1"))).toBe(2600);
    expect(costOf({ per: "trip", amount, deliveries: 4 }, line("1"))).toBe(650);
    expect(costOf({ per: "trip", amount, deliveries: 7 }, line("1"))).toBe(371);
    const parcel: StoreCost = { per: "parcel", amount, holds: { value: "2", unit: "kg" } };
    expect([
      costOf(parcel),
      costOf(parcel, line("2")),
      costOf(parcel, line("2.000001")),
      costOf(parcel, line("1.5", 3)),
    ]).toEqual([2600, 2600, 5200, 7800]);
    expect(costOf({ per: "parcel", amount }, line("99"))).toBe(2600);
  });

  it("is not known without an amount, or a weight that parcels go by; what is not shipped weighs nothing", () => {
    const parcel: StoreCost = { per: "parcel", amount, holds: { value: "2", unit: "kg" } };
    expect(storeCost({ per: "delivery", amount }, [], { ...context, currency: "USD" })).toBeNull();
    expect(costOf(parcel, line(null))).toBeNull();
    expect(costOf(parcel, { ...line(null), delivery: { kind: "nothing-to-ship" } })).toBe(2600);
  });

  it("is told by option for the cart of a request, and is none of the shopper's answer", () => {
    const charge = { kind: "flat" as const, amount: { byCurrency: { EUR: "3.00" } } };
    const shared = { zones: ["z"], charge };
    const plan = oneZonePlan({
      options: [
        {
          id: "round",
          position: 1,
          name: { en: "Round" },
          ...shared,
          costsStore: { per: "trip", amount, deliveries: 4 },
        },
        { id: "post", position: 2, name: { en: "Post" }, ...shared },
      ],
    });
    const request = {
      at: "2026-11-26T10:00:00Z",
      currency: "EUR",
      destination: { country: "PT" },
      cart: { lines: [line("1")] },
    };
    expect([...storeCosts(compiledPlan(plan), request)]).toEqual([["round", 650]]);
    expect([...storeCosts(compiledPlan(plan), { ...request, destination: { country: "JP" } })]).toEqual([]);
  });
});
