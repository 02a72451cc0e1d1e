import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";

/** An offer that nobody gets any more, since it has been used as often as it may. */
export const limitUsedUp: Check = {
  code: "limit-used-up",
  severity: "risky",
  *find({ plan, around }) {
    for (const offer of plan.offers) {
      const limit = offer.limits?.overall;
      const used = around.uses[offer.id] ?? 0;
      if (offer.on && limit !== undefined && used >= limit)
        yield {
          sentence: phrase("“{name}” has been used {used} times, as often as it may: nobody gets it any more.", {
            name: offer.name,
            used,
          }),
          at: onOffer(offer, "/limits/overall"),
          witness: null,
          fix: {
            words: phrase("Switch it off"),
            changes: [{ kind: "offer", id: offer.id, body: { ...offer, on: false } }],
          },
        };
    }
  },
};
