import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cartAt } from "../climb/cart-at.ts";
import { OUT_OF_REACH, type StepState } from "../messages/states.ts";
import type { Offer } from "../offers/offer.ts";
import { quote } from "../quote/quote.ts";
import { isOnOrder } from "../rewards/reward.ts";
import { compile } from "../tariff/compile.ts";
import { anyCase } from "../tests/arbitrary.ts";
import { CheckContext } from "./check.ts";
import { givesNothing } from "./findings/gives-nothing.ts";
import { CheckMemory } from "./kept-parts.ts";

const around = { at: Date.UTC(2026, 10, 24, 12), products: [], uses: {}, addresses: [] };

describe("a step that gives nothing", () => {
  it("is one of which no cart says otherwise, quoted unit by unit to twice its goal", () => {
    const seen = { idle: 0, giving: 0 };
    fc.assert(
      fc.property(anyCase(60), ({ plan }) => {
        // For everybody, always: whom an offer is for is looked for elsewhere. What a live carrier asks is not known.
        const offers = plan.offers.map(({ when: _, schedule: __, limits: ___, ...offer }): Offer => offer);
        const made = compile({ ...plan, offers });
        if ("problems" in made || JSON.stringify(plan.options).includes('"carrier"')) return;
        const context = new CheckContext(made.compiled, around, new CheckMemory());
        const found = new Set([...givesNothing.find(context)].map(({ at, step }) => `${at.id} ${step}`));
        const [where, ...others] = context.world.contexts;
        const tariff = where && made.compiled.tariffOf(where.zone.id, where.currency);
        if (!where || !tariff || others.length > 0) return;
        const request = context.request(where, 0);
        for (const { offer, steps } of tariff.offers)
          for (const { step, goal } of steps) {
            if (offer.counts.kind !== "value" || !goal || step.trigger.kind !== "goal" || isOnOrder(step.reward))
              continue;
            const states = new Set<StepState>();
            for (let x = 0; x <= goal.at * 2; x += 1) {
              const answer = quote(made.compiled, { ...request, cart: cartAt(request.cart, x) }, { text: false });
              // Where the place is not known to the end, nor is where a step stands.
              if (!("quote" in answer) || answer.quote.zone === null) return;
              for (const one of answer.quote.progress)
                if (one.offer === offer.id && one.step === step.id) states.add(one.state);
            }
            const isIdle =
              states.has("covered") && [...states].every((one) => one === "covered" || OUT_OF_REACH.has(one));
            seen[isIdle ? "idle" : "giving"] += 1;
            const at = `${offer.id} ${offer.steps.indexOf(step)}`;
            expect([at, found.has(at)]).toEqual([at, isIdle]);
          }
      }),
      { seed: 20261128, numRuns: 250 },
    );
    expect(seen.idle).toBeGreaterThan(20);
    expect(seen.giving).toBeGreaterThan(20);
  });
});
