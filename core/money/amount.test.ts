import Big from "big.js";
import { parse } from "csv-parse/sync";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inEnglish } from "../tests/in-english.ts";
import { type Amount, resolveAmount } from "./amount.ts";
import { exponentOf } from "./currency.ts";
import { majorUnits } from "./decimal.ts";
import { type RateTable, rateDays, ratesInForce } from "./rates.ts";

const table = (rates: Record<string, string>): RateTable => ({
  id: "t",
  base: "EUR",
  days: [{ date: "2026-11-20", rates }],
});
const inForce = (rates: Record<string, string>) => ratesInForce([table(rates)]);

describe("amounts", () => {
  it("are the zone's own, else the market's, else the currency's, else converted", () => {
    const amount: Amount = {
      byCurrency: { EUR: "60.00", GBP: "50.00" },
      byMarket: { portugal: { EUR: "45.00" } },
      byZone: { azores: { EUR: "149.00" }, rest: { GBP: "1.00" } },
      converted: {
        table: "t",
        to: { JPY: { step: "500", direction: "nearest" }, GBP: { step: "1", direction: "up" } },
      },
    };
    const rates = inForce({ JPY: "158.64", GBP: "0.87" });
    const at = (market: string, currency: string, zone: string | null = null) =>
      resolveAmount(amount, { zone, market, currency, rates });
    expect(at("portugal", "EUR", "azores")).toEqual({ from: "zone", minor: 14900 });
    expect(at("portugal", "EUR", "rest")).toEqual({ from: "market", minor: 4500 });
    expect(at("japan", "JPY", "azores")).toMatchObject({ from: "conversion", source: 6000 });
    expect(at("portugal", "EUR")).toEqual({ from: "market", minor: 4500 });
    expect(at("france", "EUR")).toEqual({ from: "currency", minor: 6000 });
    expect(at("uk", "GBP")).toEqual({ from: "currency", minor: 5000 });
    expect(at("japan", "JPY")).toMatchObject({ from: "conversion", minor: 9500, base: "EUR", source: 6000 });
    expect(at("us", "USD")).toBeUndefined();
  });

  it("convert as big.js does: exact to the end, then to the step, in every exponent and direction", () => {
    const currency = fc.constantFrom("JPY", "USD", "KWD");
    const rate = fc.integer({ min: 1, max: 1_000_000 }).map((n) => (n / 10_000).toFixed(4));
    const direction = fc.constantFrom("nearest", "up", "down");
    fc.assert(
      fc.property(
        currency,
        rate,
        direction,
        fc.integer({ min: 1, max: 5000 }),
        fc.nat(1_000_000),
        fc.boolean(),
        (code, text, way, step, cents, lessOne) => {
          const exponent = exponentOf(code) ?? 2;
          const amount: Amount = {
            byCurrency: { EUR: majorUnits(cents, 2) },
            converted: { table: "t", to: { [code]: { step: majorUnits(step, exponent), direction: way, lessOne } } },
          };
          const mode = { nearest: Big.roundHalfUp, up: Big.roundUp, down: Big.roundDown }[way];
          Big.DP = 60;
          const units = new Big(cents)
            .div(100)
            .times(text)
            .times(10 ** exponent)
            .div(step)
            .round(0, mode)
            .times(step);
          const expected = Math.max(0, Number(units.toFixed(0)) - (lessOne ? 1 : 0));
          expect(
            resolveAmount(amount, { zone: null, market: "m", currency: code, rates: inForce({ [code]: text }) })?.minor,
          ).toBe(expected);
        },
      ),
    );
  });

  it("use the latest day of a table, whatever order the days are in", () => {
    const days = [
      { date: "2026-11-20", rates: { USD: "1.1" } },
      { date: "2026-11-21", rates: { USD: "1.2" } },
      { date: "2026-11-19", rates: { USD: "1.3" } },
    ];
    const amount: Amount = {
      byCurrency: { EUR: "10.00" },
      converted: { table: "t", to: { USD: { step: "1", direction: "nearest" } } },
    };
    const rates = ratesInForce([{ id: "t", base: "EUR", days }]);
    expect(resolveAmount(amount, { zone: null, market: "m", currency: "USD", rates })?.minor).toBe(1200);
  });
});

describe("published reference rates", () => {
  // The layout of the European Central Bank's euro reference rates (eurofxref-hist.csv), from memory; figures invented.
  it("are read from date rows and currency columns, without the days and currencies that have no rate", () => {
    const csv = "Date,USD,JPY,CYP,\n2026-11-20,1.0936,158.64,N/A,\n20 November 2026,1.0936,,N/A,\n\n";
    expect(rateDays(parse(csv, { relax_column_count: true, skip_empty_lines: true }))).toEqual({
      days: [
        { date: "2026-11-20", rates: { USD: "1.0936", JPY: "158.64" } },
        { date: "2026-11-20", rates: { USD: "1.0936" } },
      ],
    });
  });

  it("are refused by row and column when cells cannot be read", () => {
    expect(
      inEnglish(
        rateDays([
          ["Day", "dollars"],
          ["31 February 2026", "1,09"],
          ["2026-11-20", "0"],
        ]),
      ),
    ).toEqual({
      problems: [
        { path: "row 1, column 1", message: 'the first column must be headed "Date"' },
        { path: "row 1, column 2", message: '"DOLLARS" is no currency code' },
        { path: "row 2, column 1", message: '"31 February 2026" is no date' },
      ],
    });
    expect(
      inEnglish(
        rateDays([
          ["Date", "USD"],
          ["2026-11-20", "1,09"],
          ["2026-11-21", "0"],
        ]),
      ),
    ).toEqual({
      problems: [
        { path: "row 2, column 2", message: '"1,09" is no rate' },
        { path: "row 3, column 2", message: '"0" is no rate' },
      ],
    });
    expect(rateDays([["Date", "USD"]])).toHaveProperty("problems");
  });
});
