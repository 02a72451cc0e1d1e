import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cartAfter, growByFiller } from "../../evaluate/cart-growth.ts";
import { evaluate } from "../../evaluate/one-cart.ts";
import { prepareRequest } from "../../evaluate/prepared-request.ts";
import { compile } from "../../tariff/compile.ts";
import { anyCase } from "../../tests/arbitrary.ts";
import { FillerForecast, outcomeAt } from "./step-status.ts";

describe("what adding filler would do", () => {
  it("is the same throughout a stretch, as trying each amount in it finds", () => {
    const seen = { better: 0, covered: 0, none: 0, long: 0 };
    fc.assert(
      fc.property(anyCase(400), ({ plan, request }) => {
        const made = compile(plan);
        const prepared = "problems" in made ? made : prepareRequest(made.compiled, request);
        if ("problems" in prepared) return;
        const [there] = prepared.there;
        if (!there) return;
        for (const offer of there.tariff.offers)
          for (const step of offer.steps) {
            const growth = growByFiller({ ...there, unknownAs: false }, prepared.cart, offer.filler);
            const forecast = new FillerForecast(offer, step, growth);
            const atOnce = forecast.atOnce();
            for (let i = 0; i < 6 && forecast.extend(); i += 1);
            const [first] = forecast.stretches;
            expect(atOnce).toBe(first?.outcome === "better" ? first.from : null);
            for (const { from, to, outcome } of forecast.stretches) {
              seen[outcome] += 1;
              if (to - from > 100) seen.long += 1;
              // Every unit near both ends, and some between.
              const last = Math.min(to, from + 2_000_000);
              const between = Array.from({ length: 12 }, (_, k) => from + Math.floor(((last - from) * k) / 12));
              const near = Array.from({ length: 24 }, (_, k) => [from + k, last - k]).flat();
              const otherwise = [...new Set([...near, ...between])].filter((units) => {
                if (units < from || units > last) return false;
                const then = evaluate({ ...there, unknownAs: false }, cartAfter(growth, units));
                return outcomeAt(offer, step, then) !== outcome;
              });
              expect({ from, to, outcome, otherwise }).toEqual({ from, to, outcome, otherwise: [] });
            }
          }
      }),
      { numRuns: 250 },
    );
    for (const count of Object.values(seen)) expect(count).toBeGreaterThan(40);
  });
});
