import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { marketsOf } from "../../../core/places/markets-of.ts";
import { codesOf } from "../../../core/postcodes/whole-codes.ts";
import { quote } from "../../../core/quote/quote.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import { compile } from "../../../core/tariff/compile.ts";
import { checkPlan } from "../../../core/validation/documents.ts";
import demo from "../../../demo/plan.json" with { type: "json" };
import { ownCarriers, withCarrierAnswers } from "../../../server/carriers/ask-carriers.ts";
import { optionFrom, PATTERNS } from "./patterns.ts";

const checked = checkPlan(demo);
if ("problems" in checked) throw new Error("the demo plan is broken");
const plan = checked.value;
const zone = fc.constantFrom(...plan.zones);

/** Where a parcel would go to be in a zone, in as many words as it takes. */
const into = (id: string) => {
  const found = plan.zones.find((one) => one.id === id)?.destinations[0];
  if (!found || !("country" in found)) return { country: "NZ" };
  const code = "postcodes" in found ? found.postcodes?.[0]?.replace(/[.*].*$/, "") : undefined;
  // A carrier wants a postcode, any will do.
  return { country: found.country, postcode: code?.padEnd(4, "0") ?? codesOf(found.country)[0] ?? "10115" };
};
/** At the door of the shop: near enough for whatever is delivered by its own people. */
const position = plan.locations?.[0]?.at;

describe("a pattern", () => {
  it("adds an option that is sound in every zone, and has a price for whoever is served there", async () => {
    let priced = 0;
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...PATTERNS), zone, async (pattern, { id }) => {
        const option = optionFrom(pattern, plan, [id]);
        if (!option) throw new Error(`${pattern.id} makes nothing in ${id}`);
        expect(plan.options.map((one) => one.id)).not.toContain(option.id);
        expect(option.zones).toContain(id);
        const after = { ...plan, options: [...plan.options, option] };
        expect(checkPlan(JSON.parse(JSON.stringify(after)))).toHaveProperty("value");
        const result = compile(after);
        if (!("compiled" in result)) throw new Error(JSON.stringify(result.problems));
        const [market] = marketsOf(plan, [id]);
        for (const currency of market?.currencies ?? []) {
          const request: QuoteRequest = {
            at: "2026-11-25T10:00:00Z",
            currency,
            destination: { ...into(id), ...(position ? { position } : {}) },
            cart: { lines: [{ sku: "a", quantity: 2, unitPrice: 5000, weight: { value: "300", unit: "g" } }] },
          };
          const answer = quote(result.compiled, await withCarrierAnswers(result.compiled, request, ownCarriers()));
          if (!("quote" in answer) || answer.quote.zone !== id) continue;
          const found = answer.quote.options.find((one) => one.id === option.id);
          expect(found, `${pattern.id} in ${id}`).toBeDefined();
          // The carrier of the pattern goes to Europe only, and says so.
          if (pattern.id === "carrier" && found?.reason === "carrier-not-served") continue;
          expect(found?.price).toBeGreaterThanOrEqual(0);
          priced += 1;
        }
      }),
      { seed: 20261125, numRuns: 150 },
    );
    // Most of the demo's zones can be told from an address this short.
    expect(priced).toBeGreaterThan(60);
  });
});
