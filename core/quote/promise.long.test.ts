import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { QuoteRequest } from "../request/request.ts";
import { anyCase, type Case } from "../tests/arbitrary.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { granted, progressOf } from "../tests/granted.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { seldomCase } from "../tests/seldom.ts";

describe("the promise: add exactly what is asked for, and you get exactly what is promised", () => {
  it("holds for random ladders, charges, carts, taxes, discounts and currencies", () => {
    const counts = { finite: 0, reached: 0, covered: 0, blocked: 0 };
    fc.assert(
      fc.property(
        fc.oneof({ weight: 3, arbitrary: anyCase(9000) }, { weight: 1, arbitrary: seldomCase(9000) }),
        (drawn) => {
          const now = quoteOf(compiledPlan(drawn.plan), drawn.request);
          for (const { offer, step, state, remaining, percent, reached } of now.progress) {
            const grants = granted(drawn, offer, step);
            expect(percent === 100).toBe(reached);
            if (remaining !== null) {
              counts.finite += 1;
              expect(remaining).toBeGreaterThan(0);
              expect(state).toBe(drawn.request.cart.lines.length === 0 ? "empty" : "on-the-way");
              expect(grants(remaining)).toBe(true);
              expect(grants(remaining - 1)).toBe(false);
            } else if (state === "reached") {
              counts.reached += 1;
              expect(grants(0)).toBe(true);
            } else {
              counts[state === "covered" ? "covered" : "blocked"] += 1;
              expect(grants(0)).toBe(false);
            }
          }
        },
      ),
      { numRuns: 500 },
    );
    const all = Object.values(counts).reduce((sum, count) => sum + count, 0);
    const shares = Object.entries(counts).map(([state, count]) => `${state} ${((100 * count) / all).toFixed(1)} %`);
    console.log(`promise: ${all} steps, ${shares.join(", ")}`);
    expect(counts.finite / all).toBeGreaterThanOrEqual(0.3);
  });

  it("is silent only where no amount of goods would do, tried one unit at a time", () => {
    let silent = 0;
    fc.assert(
      fc.property(fc.oneof(anyCase(60), seldomCase(60)), (drawn) => {
        const now = quoteOf(compiledPlan(drawn.plan), drawn.request);
        for (const { offer, step, state, remaining } of now.progress) {
          if (state !== "covered" && state !== "blocked") continue;
          silent += 1;
          expect(remaining).toBeNull();
          const grants = granted(drawn, offer, step);
          const already = progressOf(now, offer, step).reached;
          for (let extra = 0; extra <= (already ? 0 : 400); extra += 1) expect(grants(extra)).toBe(false);
        }
      }),
      { numRuns: 40 },
    );
    expect(silent).toBeGreaterThan(10);
  });

  it("asks for 11.11 when 10.00 is short and everything is 10 % off", () => {
    // 38.89 less 3.89 counts 35.00; goods of 50.00 less 5.00 are the first to count 45.00.
    const drawn = simpleCase([{ percent: "10" }], 3889);
    const [entry] = quoteOf(compiledPlan(drawn.plan), drawn.request).progress;
    expect(entry).toMatchObject({ counted: 3500, goal: 4500, remaining: 1111, state: "on-the-way", percent: 77 });
  });

  it("gives the same quote when the plan's arrays are shuffled and positions kept", () => {
    fc.assert(
      fc.property(anyCase(9000), fc.infiniteStream(fc.nat()), (drawn, stream) => {
        const shuffle = <T>(list: readonly T[]) =>
          list
            .map((item) => ({ item, key: stream.next().value ?? 0 }))
            .sort((a, b) => a.key - b.key)
            .map(({ item }) => item);
        const shuffled = {
          ...drawn.plan,
          options: shuffle(drawn.plan.options),
          offers: shuffle(drawn.plan.offers.map((offer) => ({ ...offer, steps: shuffle(offer.steps) }))),
        };
        expect(quoteOf(compiledPlan(shuffled), drawn.request)).toEqual(
          quoteOf(compiledPlan(drawn.plan), drawn.request),
        );
      }),
    );
  });
});

function simpleCase(discounts: NonNullable<QuoteRequest["cart"]["discounts"]>, goods: number): Case {
  return {
    plan: oneZonePlan({
      options: [
        {
          id: "o",
          position: 1,
          name: { en: "O" },
          zones: ["z"],
          charge: { kind: "flat", amount: { byCurrency: { EUR: "4.90" } } },
        },
      ],
      offers: [
        {
          id: "f",
          position: 1,
          name: "F",
          on: true,
          zones: ["z"],
          counts: { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } },
          steps: [
            {
              id: "s",
              position: 1,
              trigger: { kind: "goal", goal: { at: { byCurrency: { EUR: "45.00" } }, edge: "from" } },
              reward: { kind: "free", options: ["o"] },
              wording: {},
            },
          ],
        },
      ],
    }),
    request: {
      at: "2026-11-28T10:00:00Z",
      currency: "EUR",
      destination: { country: "PT" },
      cart: { lines: [{ sku: "goods", quantity: 1, unitPrice: goods }], discounts },
    },
  };
}
