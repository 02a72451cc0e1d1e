import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { statedBase, withoutCurrency } from "./rates.ts";

const rate = fc.integer({ min: 101, max: 99_999 }).map((n) => String(n / 100));

describe("what rates are for one of", () => {
  it("is the one currency that is 1 on every day, whatever else stands there", () => {
    const days = fc.array(fc.record({ USD: rate, JPY: rate, GBP: rate }), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(days, fc.constantFrom("1", "1.0", "1.0000"), fc.constantFrom("EUR", "CHF"), (rows, one, base) => {
        const withBase = rows.map((rates, i) => ({ date: `2026-11-0${i + 1}`, rates: { ...rates, [base]: one } }));
        expect(statedBase(withBase)).toBe(base);
        expect(withoutCurrency(withBase, base)).toEqual(rows.map((rates, i) => ({ date: `2026-11-0${i + 1}`, rates })));
      }),
    );
  });

  it("is not told where no column says it, or two do", () => {
    expect(statedBase([{ date: "2026-11-24", rates: { USD: "1.08", JPY: "171.2" } }])).toBeNull();
    expect(statedBase([{ date: "2026-11-24", rates: { EUR: "1", XAF: "1", USD: "1.08" } }])).toBeNull();
    expect(
      statedBase([
        { date: "2026-11-24", rates: { EUR: "1", USD: "1.08" } },
        { date: "2026-11-25", rates: { EUR: "1.01", USD: "1.08" } },
      ]),
    ).toBeNull();
    expect(statedBase([])).toBeNull();
  });
});
