import { normalCode } from "../../cart/codes.ts";
import { stackingOf } from "../../offers/stacking.ts";
import { codesOf } from "../../offers/trigger.ts";
import { type Check, onOffer } from "../check.ts";

/** One code that earns two offers which do not go together. */
export const codeCollides: Check = {
  code: "code-collides",
  severity: "risky",
  *find({ plan }) {
    for (const offer of plan.offers.filter(({ on }) => on)) {
      const own = new Set(offer.steps.flatMap(({ trigger }) => codesOf(trigger).map(normalCode)));
      if (own.size === 0) continue;
      for (const { other, outcome } of stackingOf(plan, offer)) {
        if (outcome !== "this-on-a-tie") continue;
        const shared = other.steps.flatMap(({ trigger }) => codesOf(trigger)).find((code) => own.has(normalCode(code)));
        if (shared !== undefined)
          yield {
            sentence: `The code ${shared} earns “${offer.name}” and “${other.name}”, which do not go together.`,
            at: onOffer(other, "/steps"),
            witness: null,
          };
      }
    }
  },
};
