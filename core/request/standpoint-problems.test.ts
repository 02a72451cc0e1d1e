import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { Plan } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import { compiledPlan } from "../tests/compiled.ts";
import { inEnglish } from "../tests/in-english.ts";
import type { QuoteRequest } from "./request.ts";

const plan: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));
const compiled = compiledPlan(plan);
const request: QuoteRequest = {
  at: "2026-11-28T10:00:00Z",
  currency: "EUR",
  locale: "pt",
  destination: { country: "PT", postcode: "1000-001" },
  cart: { lines: [] },
};

/** What is said of a request, and where. */
function said(change: Partial<QuoteRequest>): unknown {
  const answer = quote(compiled, { ...request, ...change });
  return "problems" in answer ? inEnglish(answer.problems) : "nothing";
}

describe("a request that cannot be answered", () => {
  it("is told what is wrong with its moment, its language and its currency", () => {
    expect(said({})).toBe("nothing");
    expect(said({ at: "yesterday", locale: "p" })).toEqual([
      { path: "/at", message: '"yesterday" is no moment by RFC 3339' },
      { path: "/locale", message: '"p" is no language tag' },
    ]);
    expect(said({ at: "2026-02-30T10:00:00Z" })).toEqual([
      { path: "/at", message: '"2026-02-30T10:00:00Z" is no moment by RFC 3339' },
    ]);
    expect(said({ currency: "JPY" })).toEqual([{ path: "/currency", message: "JPY is not taken there; it takes EUR" }]);
  });
});
