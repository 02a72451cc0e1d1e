import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cartAfter, growByFiller } from "../evaluate/cart-growth.ts";
import type { Terms } from "../evaluate/evaluation.ts";
import { evaluate } from "../evaluate/one-cart.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import { reached } from "../quote/options/price-option.ts";
import { ahead, FillerForecast } from "../quote/progress/step-status.ts";
import { compile } from "../tariff/compile.ts";
import { anyCase, type Case } from "../tests/arbitrary.ts";
import { seldomCase } from "../tests/seldom.ts";
import { aheadAlong } from "./ahead-along.ts";
import { type Segment, segmentsOf } from "./segment.ts";

/** The last line of a drawn cart as it grows, or filler where there is none. */
function lastSegment({ plan, request }: Case): Segment | null {
  const made = compile(plan);
  const prepared = "problems" in made ? made : prepareRequest(made.compiled, request);
  const [first] = "problems" in prepared ? [] : prepared.there;
  if (!first || "problems" in prepared) return null;
  const terms: Terms = { ...first, unknownAs: false };
  const { cart } = prepared;
  const worth = cart.lines.reduce((sum, { shelf }) => sum + shelf, 0);
  return segmentsOf(terms, cart, worth || 400).at(-1) ?? null;
}

/** So many units are looked at from where it begins. */
const LOOKED_AT = 60;

describe("looking ahead along a line", () => {
  it("tells of each unit what looking ahead from that cart alone tells", () => {
    const told = { helpless: 0, remaining: 0, together: 0 };
    const drawn = fc.oneof({ weight: 2, arbitrary: anyCase(150) }, { weight: 1, arbitrary: seldomCase(150) });
    fc.assert(
      fc.property(drawn, fc.nat(), (one, start) => {
        const segment = lastSegment(one);
        if (!segment) return;
        const { growth, length } = segment;
        const first = 1 + (start % length);
        const last = Math.min(length, first + LOOKED_AT);
        for (const offer of growth.tariff.offers)
          for (const step of offer.steps) {
            const aheadAt = aheadAlong(segment);
            for (let units = first; units <= last; ) {
              const found = aheadAt(offer, step, units);
              const end = Math.min(last, units + found.units);
              told.together += end - units;
              for (let at = units; at <= end; at += 1) {
                const cart = cartAfter(growth, at);
                // What is reached looks no further.
                if (reached(offer, step, evaluate(growth, cart))) continue;
                const alone = ahead(new FillerForecast(offer, step, growByFiller(growth, cart, offer.filler)), 0);
                const { remaining, otherwise, slope, remainingAt } = found;
                const then = remaining && (remainingAt ? remainingAt(at) : remaining + slope * (at - units));
                expect(then ?? otherwise).toBe(alone.remaining ?? alone.otherwise);
                told[then === null ? "helpless" : "remaining"] += 1;
              }
              units = end + 1;
            }
          }
      }),
      { numRuns: 120 },
    );
    console.log(`looking ahead along lines: ${JSON.stringify(told)}`);
    expect(told.together).toBeGreaterThan(5000);
    expect(Math.min(told.helpless, told.remaining)).toBeGreaterThan(1000);
  });
});
