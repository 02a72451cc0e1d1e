import { describe, expect, it } from "vitest";
import type { DeliveryOption } from "../delivery/option.ts";
import type { Location } from "../places/location.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { oneZonePlan } from "../tests/one-zone.ts";

const shop: Location = {
  id: "shop",
  position: 1,
  name: { en: "Shop" },
  at: [41.15, -8.61],
  country: "PT",
  timeZone: "Europe/Lisbon",
  address: { en: "14 Paper Lane", pt: "Rua das Aparas 14" },
  instructions: { pt: "Toque duas vezes." },
};
const collect: DeliveryOption = {
  id: "collect",
  position: 1,
  name: { en: "Collect" },
  code: "PICK-1",
  way: { kind: "collected", location: "shop" },
  zones: ["z"],
  charge: { kind: "flat", amount: { byCurrency: { EUR: "0" } } },
};

function asked(locale: string, location: Location, option: DeliveryOption = collect) {
  const plan = compiledPlan(oneZonePlan({ options: [option], locations: [location] }));
  const request = { at: "2026-11-25T10:00:00Z", currency: "EUR", locale, destination: { country: "PT" } };
  return quoteOf(plan, { ...request, cart: { lines: [{ sku: "pen", quantity: 1, unitPrice: 500 }] } }).options[0];
}

describe("an option that is collected", () => {
  it("comes with the address and what is told with it, in the shopper's language where there is one", () => {
    expect(asked("pt", shop)?.pickup).toEqual({ address: "Rua das Aparas 14", instructions: "Toque duas vezes." });
    // What is said in one language alone is better than nothing.
    expect(asked("en", shop)?.pickup).toEqual({ address: "14 Paper Lane", instructions: "Toque duas vezes." });
    const { instructions: _, ...quiet } = shop;
    expect(asked("en", quiet)?.pickup).toEqual({ address: "14 Paper Lane" });
  });

  it("is answered as before where the location has no address, and where it is brought from there", () => {
    const { address: _, ...plain } = shop;
    const brought: DeliveryOption = { ...collect, way: { kind: "local", location: "shop" } };
    for (const answer of [asked("en", plain), asked("en", shop, brought)])
      expect(answer).toMatchObject({ id: "collect", pickup: undefined });
  });

  it("tells the code that the order system knows it by, and none where there is none", () => {
    expect(asked("en", shop)?.code).toBe("PICK-1");
    const { code: _, ...nameless } = collect;
    expect(asked("en", shop, nameless)).toMatchObject({ id: "collect", code: undefined });
  });
});
