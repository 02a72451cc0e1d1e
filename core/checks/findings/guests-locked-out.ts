import type { Condition } from "../../conditions/condition.ts";
import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";

const SIGNED_IN: Condition = { kind: "signed-in" };

/** A limit per shopper where guests are meant too: they cannot be told apart, so that the offer is never theirs. */
export const guestsLockedOut: Check = {
  code: "guests-locked-out",
  severity: "risky",
  *find(context) {
    for (const offer of context.plan.offers) {
      if (!offer.on || offer.limits?.perShopper === undefined || offer.limits.guests) continue;
      const guest: Condition = { kind: "not", of: SIGNED_IN };
      const met = context.decide(offer.zones, offer.when ? { kind: "all", of: [offer.when, guest] } : guest, true);
      if (met.kind !== "witness") continue;
      yield {
        sentence: phrase(
          "“{name}” is counted for each shopper, and guests cannot be told apart: they never get it, though nothing in its condition says so.",
          { name: offer.name },
        ),
        at: onOffer(offer, "/limits/perShopper"),
        witness: met.request,
        fix: {
          words: phrase("Say that it is for who is signed in"),
          changes: [
            {
              kind: "offer",
              id: offer.id,
              body: { ...offer, when: offer.when ? { kind: "all", of: [offer.when, SIGNED_IN] } : SIGNED_IN },
            },
          ],
        },
      };
    }
  },
};
