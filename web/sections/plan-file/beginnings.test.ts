import { describe, expect, it } from "vitest";
import { planOf } from "../../../core/plan/entities.ts";
import { planProblems } from "../../../core/plan/problems/plan-problems.ts";
import { brokenRules } from "../../../core/plan/problems/rules.ts";
import { compiledPlan, quoteOf } from "../../../core/tests/compiled.ts";
import { COUNTRY_CODES } from "../../names/country-codes.ts";
import { beginning } from "./beginnings.ts";

describe("what a new store begins with", () => {
  it("holds together wherever it is, and delivers there: free from fifty and not a unit less", () => {
    for (const country of COUNTRY_CODES) {
      for (const [currency, unit] of [
        ["EUR", 100],
        ["JPY", 1],
        ["KWD", 1000],
      ] as const) {
        const first = { country, name: country, currency, language: "en", timeZone: "UTC" };
        const plan = planOf(beginning("Store", first, true));
        if (!plan) throw new Error("nothing was begun");
        expect([...planProblems(plan), ...brokenRules(plan)]).toEqual([]);
        const compiled = compiledPlan(plan);
        const priceOf = (unitPrice: number) =>
          quoteOf(compiled, {
            ...{ at: "2026-11-26T10:00:00Z", currency, destination: { country } },
            cart: { lines: [{ sku: "any", quantity: 1, unitPrice }] },
          }).options.map(({ price }) => price);
        expect([0, 50 * unit - 1, 50 * unit].map(priceOf)).toEqual([[5 * unit], [5 * unit], [0]]);
      }
    }
  });

  it("may be its name alone, or a place without delivery", () => {
    expect(beginning("Store", null, true).map(({ kind }) => kind)).toEqual(["store"]);
    const first = { country: "US", name: "United States", currency: "USD", language: "en", timeZone: "UTC" };
    const bare = planOf(beginning("Store", first, false));
    expect(bare?.markets).toMatchObject([{ pricesIncludeTax: false, currencies: ["USD"] }]);
    expect(bare?.options).toEqual([]);
  });
});
