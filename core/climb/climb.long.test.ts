import { isDeepStrictEqual } from "node:util";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compile } from "../tariff/compile.ts";
import { anyCase } from "../tests/arbitrary.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { seldomCase } from "../tests/seldom.ts";
import { cartAt } from "./cart-at.ts";
import { climb } from "./climb.ts";
import { countedAt } from "./counted-at.ts";
import { type Climb, priceAt, remainingAt } from "./interval.ts";

const climbOf = (...args: Parameters<typeof climb>): Climb => {
  const result = climb(...args);
  if ("problems" in result || !result.climb) throw new Error(JSON.stringify(result));
  return result.climb;
};

/** More of them take minutes: `npm run test:answers`. */
const RUNS = process.env.SUMMANT_ALL_ANSWERS === "1" ? 4000 : 200;
const AN_HOUR = 3_600_000;
const anyOrSeldom = fc.oneof({ weight: 2, arbitrary: anyCase(120) }, { weight: 1, arbitrary: seldomCase(120) });

describe("the climb", () => {
  it(
    "equals a quote at every minor unit",
    () => {
      let stretches = 0;
      fc.assert(
        fc.property(anyOrSeldom, fc.integer({ min: 0, max: 300 }), ({ plan, request }, to) => {
          const made = compile(plan);
          // Now and then what is drawn contradicts itself.
          if ("problems" in made) return;
          const { compiled } = made;
          const drawn = climbOf(compiled, request, to);
          stretches += drawn.intervals.length;
          const goals = drawn.steps.flatMap(({ goal }, i) => (goal === null ? [] : [i]));
          let expectedFrom = 0;
          for (const interval of drawn.intervals) {
            expect(interval.from).toBe(expectedFrom);
            expectedFrom = interval.to + 1;
            for (let x = interval.from; x <= interval.to; x += 1) {
              const quoted = quoteOf(compiled, { ...request, cart: cartAt(request.cart, x) });
              const climbed = {
                prices: interval.prices.map((_, option) => priceAt(interval, option, x)),
                offers: interval.offers,
                steps: goals.map((i) => ({ state: interval.steps[i]?.state, remaining: remainingAt(interval, i, x) })),
              };
              const asQuoted = {
                prices: quoted.options.map(({ price, reason }) => price ?? reason),
                offers: quoted.options.map(({ offers }) => offers),
                steps: quoted.progress.map(({ state, remaining }) => ({ state, remaining })),
              };
              // Many thousand are compared: as words, only where they differ.
              if (!isDeepStrictEqual(climbed, asQuoted)) expect({ x, ...climbed }).toEqual({ x, ...asQuoted });
            }
          }
          expect(expectedFrom).toBe(to + 1);
        }),
        { numRuns: RUNS },
      );
      expect(stretches).toBeGreaterThan(150);
    },
    AN_HOUR,
  );

  it("puts each flag where the goal is met for good, and dragging inverts it", () => {
    fc.assert(
      fc.property(anyCase(120), ({ plan, request }) => {
        const compiled = compiledPlan(plan);
        const to = 300;
        const counts = new Map(
          plan.offers.map(({ id }) => [
            id,
            Array.from({ length: to + 1 }, (_, x) => countedAt(compiled, request, id, x) ?? -1),
          ]),
        );
        for (const { offer, goal, flag, step } of climbOf(compiled, request, to).steps) {
          const found = plan.offers.find(({ id }) => id === offer);
          const trigger = found?.steps.find(({ id }) => id === step)?.trigger;
          if (goal === null || !trigger || !("goal" in trigger)) continue;
          const { edge } = trigger.goal;
          const least = edge === "above" ? goal + 1 : goal;
          const met = (counts.get(offer) ?? []).map((count) => count >= least);
          const expected = met[to] ? met.lastIndexOf(false) + 1 : null;
          expect(flag).toBe(expected);
        }
      }),
      { numRuns: 40 },
    );
  });
});
