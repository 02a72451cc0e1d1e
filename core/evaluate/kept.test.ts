import * as fc from "fast-check";
import equal from "fast-deep-equal";
import { describe, expect, it } from "vitest";
import type { ReadLine } from "../cart/read-cart.ts";
import { Horizon, rounded } from "../money/linear-amount.ts";
import type { Offer } from "../offers/offer.ts";
import { offerHolds, priceOption, reached } from "../quote/options/price-option.ts";
import { compile } from "../tariff/compile.ts";
import { anyCase } from "../tests/arbitrary.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { type CartGrowth, cartAfter, growByFiller, growByLine } from "./cart-growth.ts";
import type { Evaluation, Terms } from "./evaluation.ts";
import { evaluateAlong } from "./growing-cart.ts";
import { evaluate } from "./one-cart.ts";
import { prepareRequest } from "./prepared-request.ts";

const euro = (major: number) => ({ byCurrency: { EUR: major.toFixed(2) } });
const BASIS = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } as const;
const VALUE = { kind: "value", basis: BASIS } as const;

/** All that is said of a cart: what options come to, and which offers and steps are there for it. */
function allOf(now: Evaluation): unknown {
  const { tariff } = now;
  return {
    prices: tariff.options.map(({ number }) => {
      const { full, price, offOrder, used } = priceOption(number, now);
      const charged = typeof price === "string" ? price : rounded(price);
      return [
        typeof full === "string" ? full : "priced",
        charged,
        rounded(offOrder),
        used.map(({ offer }) => offer.id),
      ];
    }),
    offers: tariff.offers.map((offer) => [
      offerHolds(offer, now),
      offer.steps.map((step) => reached(offer, step, now)),
    ]),
  };
}

describe("what is kept of a cart that grows", () => {
  it("is what a cart of so much answers by itself, in whatever order it is asked", () => {
    const amounts = fc.array(fc.oneof(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 9000 })), {
      minLength: 6,
      maxLength: 24,
    });
    let kept = 0;
    fc.assert(
      fc.property(anyCase(3000), amounts, fc.boolean(), ({ plan, request }, asked, mayLeap) => {
        const made = compile(plan);
        const prepared = "problems" in made ? made : prepareRequest(made.compiled, request);
        if ("problems" in prepared || !prepared.there[0]) return;
        const terms: Terms = { ...prepared.there[0], unknownAs: false };
        const { cart } = prepared;
        const codes = terms.tariff.offers.flatMap(({ steps }) => steps.flatMap((step) => [...step.codes]));
        const facts = { ...terms.facts, codes: new Set(codes), shopper: { signedIn: true } };
        const isFirst = (line: ReadLine) => line.sku === cart.lines[0]?.sku;
        const line = cart.lines.find(({ shelf }) => shelf > 0);
        const growths: CartGrowth[] = [
          ...terms.tariff.offers.map(({ filler }) => growByFiller(terms, cart, filler)),
          ...(line ? [growByLine(terms, { ...cart, lines: [] }, line)] : []),
        ];
        for (const growth of growths)
          for (const one of asked) {
            // The whole of a line and what is next to it, more often than chance would have it.
            const units = growth.length === null ? one : Math.max(1, growth.length - (one % 3));
            const along = evaluateAlong(growth, units, 2 ** 40, new Horizon(2 ** 40, mayLeap));
            const known = terms.tariff.offers.some(({ steps }) =>
              steps.some(({ number }) => growth.kept.reached.known(number, units, new Horizon(0)) !== undefined),
            );
            if (known) kept += 1;
            const plain = evaluate(terms, cartAfter(growth, units));
            // Of another shopper, or without some goods, nothing of that is believed.
            const pairs = [
              [allOf(along), allOf(plain)],
              [allOf(along.anew({ facts })), allOf(plain.anew({ facts }))],
              [allOf(along.without(isFirst)), allOf(plain.without(isFirst))],
            ];
            const unlike = pairs.filter(([kept, anew]) => !equal(kept, anew));
            if (unlike.length > 0) expect([units, unlike]).toEqual([units, []]);
          }
      }),
      { numRuns: 300 },
    );
    expect(kept).toBeGreaterThan(500);
  });

  it("stands no longer than a condition that several ask: each is told how long, not only the first", () => {
    const when = { kind: "saved", id: "large" } as const;
    const offer = (id: string): Offer => ({
      id,
      position: 1,
      name: id,
      on: true,
      zones: ["z"],
      when,
      counts: VALUE,
      steps: [
        {
          id: "s",
          position: 1,
          trigger: { kind: "goal", goal: { at: euro(1), edge: "from" } },
          reward: { kind: "free", options: ["o"] },
          wording: {},
        },
      ],
    });
    const made = compile({
      ...oneZonePlan({
        options: [{ id: "o", position: 1, name: { en: "O" }, zones: ["z"], charge: { kind: "flat", amount: euro(5) } }],
        offers: [offer("first"), offer("second")],
      }),
      conditions: [
        { id: "large", name: "Large", when: { kind: "value", basis: BASIS, is: "at-least", amount: euro(50) } },
      ],
    });
    if ("problems" in made) throw new Error("it does not compile");
    const prepared = prepareRequest(made.compiled, {
      at: "2026-11-28T10:00:00Z",
      currency: "EUR",
      destination: { country: "PT", postcode: "1000-001" },
      cart: { lines: [] },
    });
    if ("problems" in prepared || !prepared.there[0]) throw new Error("nobody delivers");
    const growth = growByFiller({ ...prepared.there[0], unknownAs: false }, prepared.cart, { kind: "value" });
    const holdAfter = (units: number) => {
      const now = evaluateAlong(growth, units, 2 ** 40);
      return now.tariff.offers.map((one) => offerHolds(one, now));
    };
    expect(holdAfter(4000)).toEqual([false, false]);
    expect(holdAfter(4999)).toEqual([false, false]);
    expect(holdAfter(5000)).toEqual([true, true]);
  });
});
