import * as fc from "fast-check";
import { DateTime } from "luxon";
import { describe, expect, it } from "vitest";
import type { Charge } from "../charges/charge.ts";
import type { MeasureSpec } from "../measures/measure-spec.ts";
import { exactOf } from "../money/linear-amount.ts";
import type { Location } from "../places/location.ts";
import type { Plan } from "../plan/plan.ts";
import { milligrams } from "../quantities/quantity.ts";
import type { CartLine, QuoteRequest } from "../request/request.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import type { DeliveryOption } from "./option.ts";
import { compilePromise, type DeliveryPromise } from "./promise.ts";

const eur = (amount: string) => ({ byCurrency: { EUR: amount } });
const flat = (amount: string): Charge => ({ kind: "flat", amount: eur(amount) });
const kilograms = (value: string) => ({ value, unit: "kg" }) as const;

const shop: Location = {
  id: "porto",
  position: 1,
  name: { en: "Porto" },
  at: [41.15, -8.61],
  country: "PT",
  postcode: "4000-001",
  timeZone: "Europe/Lisbon",
  openingHours: [{ days: [1, 2, 3, 4, 5], from: "10:00", until: "18:00" }],
  holidays: "PT",
};

const planWith = (option: Partial<DeliveryOption>): Plan =>
  oneZonePlan({
    options: [{ id: "o", position: 1, name: { en: "O" }, zones: ["z"], charge: flat("4.90"), ...option }],
    locations: [shop],
  });

function asked(option: Partial<DeliveryOption>, lines: CartLine[], change: Partial<QuoteRequest> = {}) {
  const [found] = quoteOf(compiledPlan(planWith(option)), {
    at: "2026-11-27T10:00:00Z",
    currency: "EUR",
    destination: { country: "PT", postcode: "4000-001" },
    cart: { lines },
    ...change,
  }).options;
  if (!found) throw new Error("the option is not there");
  return found;
}

const priceOf = (option: Partial<DeliveryOption>, lines: CartLine[], change: Partial<QuoteRequest> = {}) => {
  const { price, reason } = asked(option, lines, change);
  return price ?? reason;
};

const line = (more: Partial<CartLine> = {}): CartLine => ({ sku: "goods", quantity: 1, unitPrice: 1000, ...more });
const weighing = (grams: number) => [line({ weight: { value: String(grams), unit: "g" } })];

const byWeight = (by: MeasureSpec, at: { value: string; unit: "kg" }): Charge => ({
  kind: "bands",
  by,
  first: eur("6"),
  edges: [{ edge: "above", at: { weight: at }, price: eur("11") }],
});

describe("charges by weight", () => {
  // F6, common practice, no source.
  it("F6: up to and including 2 kg costs 6, above it 11", () => {
    const charge = byWeight({ kind: "weight" }, kilograms("2"));
    expect([1999, 2000, 2001].map((grams) => priceOf({ charge }, weighing(grams)))).toEqual([600, 600, 1100]);
    expect(priceOf({ charge }, [line()])).toBe("weight-unknown");
  });

  // F16, common practice, from memory: length × width × height in cm over 5000.
  it("F16: 40 × 30 × 20 cm weighs 4.8 kg by volume", () => {
    const size = { length: "40", width: "30", height: "20", unit: "cm" } as const;
    const price = (at: string) =>
      priceOf({ charge: byWeight({ kind: "volumetric-weight" }, kilograms(at)) }, [line({ size })]);
    expect([price("4.799"), price("4.8")]).toEqual([1100, 600]);
    const heavier = line({ size, weight: kilograms("5") });
    expect(priceOf({ charge: byWeight({ kind: "chargeable-weight" }, kilograms("4.9")) }, [heavier])).toBe(1100);
  });

  // The international yard and pound agreement of 1959: a pound is 0.45359237 kg exactly.
  it("knows the pound and the ounce exactly", () => {
    expect(exactOf(milligrams({ value: "1", unit: "lb" }))).toEqual({ n: 45_359_237, d: 100 });
    expect(exactOf(milligrams({ value: "16", unit: "oz" }))).toEqual({ n: 45_359_237, d: 100 });
    const charge = byWeight({ kind: "weight" }, kilograms("0.45359237"));
    expect(priceOf({ charge }, [line({ weight: { value: "4", unit: "oz" }, quantity: 4 })])).toBe(600);
  });

  it("add packing where something is packed, round up, and charge for each further kilogram begun", () => {
    const by = {
      kind: "weight",
      packing: { value: "200", unit: "g" },
      roundUpTo: { value: "500", unit: "g" },
    } as const;
    const charge: Charge = {
      kind: "bands",
      by,
      first: eur("5"),
      edges: [
        {
          edge: "above",
          at: { weight: kilograms("1") },
          price: { fixed: eur("5"), each: { weight: kilograms("1") }, more: eur("2") },
        },
      ],
    };
    expect([800, 801, 1800, 1801, 2301].map((grams) => priceOf({ charge }, weighing(grams)))).toEqual([
      500, 700, 700, 900, 900,
    ]);
  });
});

describe("products with charges of their own", () => {
  const own = (amount: number, per: "piece" | "line") =>
    line({ delivery: { kind: "own-charge", amount, per }, quantity: 3 });
  const digital = line({ sku: "template", delivery: { kind: "nothing-to-ship" } });
  const free = line({ sku: "voucher", delivery: { kind: "ships-free" } });

  // F14, common practice, no source.
  it("F14: their charge stands in place of the zone's; a digital product triggers none at all", () => {
    expect(priceOf({}, [line()])).toBe(490);
    expect(priceOf({}, [own(200, "piece")])).toBe(600);
    expect(priceOf({}, [own(200, "line")])).toBe(200);
    expect(priceOf({}, [line(), own(200, "line"), digital, free])).toBe(690);
    expect([[free], [digital], [free, digital]].map((lines) => priceOf({}, lines))).toEqual([0, 0, 0]);
    const each: Charge = { kind: "per-item", amount: eur("1.00") };
    expect(priceOf({ charge: each }, [line({ quantity: 2 }), own(200, "line"), digital])).toBe(400);
  });

  it("a base charge comes once anything is charged for", () => {
    const base = { base: eur("1.50") };
    expect([[line()], [own(200, "line")], [free], [digital]].map((lines) => priceOf(base, lines))).toEqual([
      640, 350, 0, 0,
    ]);
  });
});

describe("what comes on top of a charge", () => {
  it("is taken in order: mark-up, minimum, maximum, tax, rounding, handling, surcharges", () => {
    expect(priceOf({ markUp: { percent: "10" } }, [line()])).toBe(539);
    expect(priceOf({ minimum: eur("6.00") }, [line()])).toBe(600);
    expect(priceOf({ maximum: eur("4.00") }, [line()])).toBe(400);
    // 4.90 without 23 % tax is 6.027 with it.
    expect(priceOf({ entered: "without-tax" }, [line()])).toBe(603);
    expect(priceOf({ entered: "without-tax", taxRate: "0" }, [line()])).toBe(490);
    const rounding = { EUR: { step: "0.50", direction: "up" as const } };
    expect(priceOf({ entered: "without-tax", rounding }, [line()])).toBe(650);
    const handling = { fixed: eur("1.00"), percentOfCharge: "10", percentOfGoods: "2.5" };
    expect(priceOf({ handling }, [line()])).toBe(490 + 100 + 49 + 25);
    const surcharges = [
      {
        id: "far",
        position: 1,
        name: { en: "Far" },
        when: { kind: "postcode" as const, country: "PT", patterns: ["9*"] },
        charge: flat("3.00"),
      },
    ];
    const far = { destination: { country: "PT", postcode: "9000-001" } };
    expect([priceOf({ surcharges }, [line()]), priceOf({ surcharges }, [line()], far)]).toEqual([490, 790]);
  });

  it("a carrier's answer is charged; when it fails the fallback is, and goods it does not take are not offered", () => {
    const charge: Charge = { kind: "carrier", carrier: "osprelle", service: "parcel", fallback: flat("8.00") };
    const answer = (more: object) => ({ carriers: [{ carrier: "osprelle", service: "parcel", ...more }] });
    expect(priceOf({ charge }, [line()], answer({ price: 745 }))).toBe(745);
    expect(priceOf({ charge }, [line()], answer({ problem: "slow" }))).toBe(800);
    expect(priceOf({ charge }, [line()])).toBe(800);
    expect(priceOf({ charge }, [line()], answer({ problem: "too-heavy" }))).toBe("carrier-too-heavy");
    const bare: Charge = { kind: "carrier", carrier: "osprelle", service: "parcel" };
    expect(priceOf({ charge: bare }, [line()], answer({ problem: "failed" }))).toBe("carrier-failed");
  });

  it("the store's own round goes so far and no further, and nowhere while the place is not known", () => {
    const way = { kind: "local", location: "porto", within: { value: "10", unit: "km" } } as const;
    const at = (position: [number, number]) => ({ destination: { country: "PT", postcode: "4400-001", position } });
    expect(priceOf({ way }, [line()], at([41.13, -8.61]))).toBe(490);
    expect(priceOf({ way }, [line()], at([41.55, -8.42]))).toBe("too-far");
    expect(priceOf({ way }, [line()])).toBe("place-unknown");
  });
});

describe("promises", () => {
  const locations = new Map([["porto", shop]]);
  const calendars = { PT: ["2026-12-01", "2026-12-08"] };
  const promised = (promise: DeliveryPromise, at: string) =>
    compilePromise(promise, locations, calendars)(Date.parse(at));
  const local: DeliveryPromise = {
    kind: "arrives",
    from: "porto",
    cutOff: "15:00",
    workingDays: [1, 2, 3, 4, 5],
    preparation: { least: 0, most: 0 },
    transit: { least: 0, most: 0 },
  };

  // F12, common practice, no source. 27 November 2026 is a Friday; Lisbon keeps UTC in winter.
  it("F12: before the cut-off of a weekday the same day, otherwise the next business day", () => {
    expect(promised(local, "2026-11-27T14:59:00Z")).toEqual({ earliest: "2026-11-27", latest: "2026-11-27" });
    expect(promised(local, "2026-11-27T15:00:59.999Z")?.earliest).toBe("2026-11-27");
    expect(promised(local, "2026-11-27T15:01:00Z")?.earliest).toBe("2026-11-30");
    expect(promised(local, "2026-11-28T09:00:00Z")?.earliest).toBe("2026-11-30");
    // 1 December is a holiday in Portugal.
    expect(promised(local, "2026-11-30T16:00:00Z")?.earliest).toBe("2026-12-02");
  });

  it("reads the cut-off by the location's clocks, across a change of offset", () => {
    // Summer time ends on 25 October 2026: 15:00 in Lisbon is 14:00 UTC before, 15:00 UTC after.
    expect(promised(local, "2026-10-23T14:01:00Z")?.earliest).toBe("2026-10-26");
    expect(promised(local, "2026-10-26T14:00:00Z")?.earliest).toBe("2026-10-26");
  });

  it("begins nothing on the day it is ordered without a cut-off, and everything until the last minute with one", () => {
    const { cutOff: _, ...never } = local;
    expect(promised(never, "2026-11-27T00:00:00Z")?.earliest).toBe("2026-11-30");
    expect(promised({ ...local, cutOff: "00:00" }, "2026-11-27T00:00:59Z")?.earliest).toBe("2026-11-27");
    expect(promised({ ...local, cutOff: "23:59" }, "2026-11-27T23:59:59Z")?.earliest).toBe("2026-11-27");
  });

  // F13, common practice, no source.
  it("F13: collection is ready after a lead time within opening hours", () => {
    const ready: DeliveryPromise = { kind: "ready", at: "porto", lead: 120 };
    expect(promised(ready, "2026-11-27T11:00:00Z")?.readyAt).toBe("2026-11-27T13:00:00.000Z");
    expect(promised(ready, "2026-11-27T17:00:00Z")?.readyAt).toBe("2026-11-30T11:00:00.000Z");
    expect(promised(ready, "2026-11-28T12:00:00Z")?.readyAt).toBe("2026-11-30T12:00:00.000Z");
  });

  it("counts working days as luxon and a naive walk over the calendar do", () => {
    const days = fc.record({ least: fc.nat(4), extra: fc.nat(4) });
    const moment = fc.integer({ min: Date.UTC(2026, 0, 1), max: Date.UTC(2027, 0, 1) });
    fc.assert(
      fc.property(days, days, moment, (preparation, transit, at) => {
        const promise: DeliveryPromise = {
          ...local,
          preparation: { least: preparation.least, most: preparation.least + preparation.extra },
          transit: { least: transit.least, most: transit.least + transit.extra },
        };
        const works = (day: DateTime) => day.weekday <= 5 && !calendars.PT.includes(day.toISODate() ?? "");
        const workingDay = (count: number) => {
          let day = DateTime.fromMillis(at, { zone: "Europe/Lisbon" });
          if (!works(day) || day.hour * 60 + day.minute > 15 * 60)
            do day = day.plus({ days: 1 });
            while (!works(day));
          for (let left = count; left > 0; ) {
            day = day.plus({ days: 1 });
            if (works(day)) left -= 1;
          }
          return day.toISODate();
        };
        expect(compilePromise(promise, locations, calendars)(at)).toEqual({
          earliest: workingDay(promise.preparation.least + promise.transit.least),
          latest: workingDay(promise.preparation.most + promise.transit.most),
        });
      }),
      { numRuns: 300 },
    );
  });
});
