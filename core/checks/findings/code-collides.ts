import { normalCode } from "../../cart/codes.ts";
import { stackingOf } from "../../offers/stacking.ts";
import { codesOf } from "../../offers/trigger.ts";
import { phrase } from "../../phrases/phrase.ts";
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
            sentence: phrase("The code {shared} earns “{name}” and “{other}”, which do not go together.", {
              shared,
              name: offer.name,
              other: other.name,
            }),
            at: onOffer(other, "/steps"),
            witness: null,
          };
      }
    }
  },
};
