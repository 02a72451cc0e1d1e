import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Plan } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import { anyCase } from "../tests/arbitrary.ts";
import { compiledPlan } from "../tests/compiled.ts";

const CHANNELS = ["web", "app", "kiosk"];

/** What is not offered on a channel, taken out of the plan by hand. */
const asOn = (plan: Plan, channel: string | undefined): Plan => {
  const isThere = ({ channels }: { channels?: string[] }) =>
    !channels || (channel !== undefined && channels.includes(channel));
  const plain = <One extends { channels?: string[] }>({ channels: _, ...rest }: One) => rest;
  return {
    ...plan,
    options: plan.options.map((option) => ({ ...plain(option), ...(isThere(option) ? {} : { on: false }) })),
    offers: plan.offers.map((offer) => ({ ...plain(offer), on: offer.on && isThere(offer) })),
  };
};

describe("what is offered on some channels", () => {
  it("is there on those alone: prices and offers are those of a plan without the rest", () => {
    const some = fc.option(fc.subarray(CHANNELS, { minLength: 1 }), { nil: undefined });
    fc.assert(
      fc.property(
        anyCase(6000),
        fc.array(some, { minLength: 6, maxLength: 6 }),
        fc.constantFrom(undefined, ...CHANNELS),
        ({ plan, request }, drawn, channel) => {
          const given = (i: number) => (drawn[i] ? { channels: drawn[i] } : {});
          const limited: Plan = {
            ...plan,
            options: plan.options.map((option, i) => ({ ...option, ...given(i) })),
            offers: plan.offers.map((offer, i) => ({ ...offer, ...given(3 + i) })),
          };
          const asked = { ...request, ...(channel === undefined ? {} : { channel }) };
          const [here, by] = [limited, asOn(limited, channel)].map((one) => quote(compiledPlan(one), asked));
          if (!here || !by || "problems" in here || "problems" in by) return expect(here).toEqual(by);
          const had = (answer: typeof by.quote) =>
            answer.options
              .filter(({ available }) => available)
              .map(({ id, price, offers, grants }) => ({ id, price, offers, grants }));
          expect(had(here.quote)).toEqual(had(by.quote));
        },
      ),
      { seed: 20261126, numRuns: 300 },
    );
  });
});
