import Big from "big.js";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { baseAmountFor, convertedOverTime } from "./drift.ts";
import type { RateTable } from "./rates.ts";

const table = (base: string, currency: string, rates: readonly string[]): RateTable => ({
  id: "t",
  base,
  days: rates.map((rate, i) => ({ date: `2026-01-${String(i + 1).padStart(2, "0")}`, rates: { [currency]: rate } })),
});

describe("one base amount converted live", () => {
  // F9: a round goal abroad, kept as one amount in the base currency, drifts daily (common practice, no source).
  it("strays with the rates: 75 dollars held as 68.58 euro", () => {
    const found = baseAmountFor(table("EUR", "USD", ["1.0700", "1.0948", "1.0936"]), "USD", 7500, "1");
    expect(found?.base).toBe(6858);
    expect(found?.shown.map(({ minor }) => minor)).toEqual([7338, 7508, 7500]);
    expect(found?.beyond).toBe(1);
    expect(found?.farthest).toBeCloseTo(1.62 / 75, 6);
  });

  it("agrees with big.js for any rates, currencies with 0, 2 and 3 decimals, and tolerances", () => {
    const exponents = { EUR: 2, JPY: 0, KWD: 3, USD: 2 } as const;
    const codes = ["EUR", "JPY", "KWD", "USD"] as const;
    const rate = fc.integer({ min: 1, max: 999_999 }).map((n) => (n / 1000).toFixed(3));
    fc.assert(
      fc.property(
        fc.constantFrom(...codes),
        fc.constantFrom(...codes),
        fc.array(rate, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 1, max: 5_000_000 }),
        fc.oneof(
          fc.constantFrom("1.1", "0.07"),
          fc.integer({ min: 0, max: 500 }).map((n) => (n / 100).toString()),
        ),
        (base, currency, rates, goal, tolerance) => {
          fc.pre(base !== currency);
          const found = baseAmountFor(table(base, currency, rates), currency, goal, tolerance);
          const scale = new Big(10).pow(exponents[base]).div(new Big(10).pow(exponents[currency]));
          const newest = rates.at(-1) ?? "1";
          Big.DP = 40;
          const wanted = new Big(goal).div(newest).times(scale).round(0, 1);
          expect(found?.base).toBe(wanted.toNumber());
          const shown = rates.map((one) => wanted.times(one).div(scale).round(0, 1));
          expect(found?.shown.map(({ minor }) => minor)).toEqual(shown.map((one) => one.toNumber()));
          const beyond = shown.filter((one) => one.minus(goal).abs().div(goal).times(100).gt(tolerance)).length;
          expect(found?.beyond).toBe(beyond);
        },
      ),
      { numRuns: 400, seed: 20261124 },
    );
  });

  it("says what a rounded goal would have come to on each day, oldest first", () => {
    const amount = {
      byCurrency: { EUR: "60.00" },
      converted: { table: "t", to: { JPY: { step: "500", direction: "nearest" as const } } },
    };
    const shown = convertedOverTime(amount, table("EUR", "JPY", ["150.00", "158.64", "171.00"]), {
      zone: null,
      market: "m",
      currency: "JPY",
    });
    expect(shown).toEqual([
      { date: "2026-01-01", minor: 9000 },
      { date: "2026-01-02", minor: 9500 },
      { date: "2026-01-03", minor: 10500 },
    ]);
    expect(
      convertedOverTime({ byCurrency: { EUR: "60" } }, table("EUR", "JPY", ["150"]), {
        zone: null,
        market: "m",
        currency: "JPY",
      }),
    ).toEqual([]);
  });
});
