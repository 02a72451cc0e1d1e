import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountFor } from "../../../core/money/amount.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import { ratesOf } from "../../../core/plan/plan.ts";
import { checkPlan } from "../../../core/validation/documents.ts";
import demo from "../../../demo/plan.json" with { type: "json" };
import { spendGoal, withGoal } from "./with-goal.ts";

const checked = checkPlan(demo);
if ("problems" in checked) throw new Error("the demo plan is broken");
const plan = checked.value;
const rates = ratesOf(plan);
const places = plan.offers.flatMap((offer) =>
  offer.steps
    .filter((step) => spendGoal(step))
    .flatMap((step) =>
      marketsOf(plan, offer.zones).flatMap(({ id: market, currencies }) =>
        currencies.map((currency) => ({ offer, step: step.id, market, currency })),
      ),
    ),
);

/** Every spend goal of an offer as each market sees it. */
function seen(offer: Offer): Map<string, number | null | undefined> {
  return new Map(
    offer.steps.flatMap((step) => {
      const at = spendGoal(step);
      return at
        ? marketsOf(plan, offer.zones).flatMap(({ id: market, currencies }) =>
            currencies.map((currency): [string, number | null | undefined] => [
              `${step.id} ${market} ${currency}`,
              amountFor(at, { zone: null, market, currency, rates }),
            ]),
          )
        : [];
    }),
  );
}

describe("a goal set for one market and currency", () => {
  it("is what that market sees, and nobody else sees anything new", () => {
    fc.assert(
      fc.property(fc.constantFrom(...places), fc.integer({ min: 0, max: 50_000_000 }), (place, minor) => {
        const after = seen(withGoal(place.offer, place.step, { ...place, zone: null }, minor));
        const key = `${place.step} ${place.market} ${place.currency}`;
        expect(after.get(key)).toBe(minor);
        const others = (all: typeof after) => [...all].filter(([one]) => one !== key);
        // Only what is converted from the amount that was changed may follow it.
        const before = new Map(others(seen(place.offer)));
        const typed = spendGoal(place.offer.steps.find(({ id }) => id === place.step));
        for (const [one, value] of others(after)) {
          if (value === before.get(one)) continue;
          expect(typed?.converted, `${one} changed with ${key}`).toBeDefined();
          expect(one.startsWith(`${place.step} `)).toBe(true);
        }
      }),
      { seed: 20261125, numRuns: 300 },
    );
  });
});
