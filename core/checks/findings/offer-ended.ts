import { offerState } from "../../offers/offer-state.ts";
import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";
import { timeZonesOf } from "../time-zones.ts";

/** An offer that is switched on though all of its time is over. */
export const offerEnded: Check = {
  code: "offer-ended",
  severity: "odd",
  *find({ plan, around }) {
    for (const offer of plan.offers) {
      const [timeZone = "UTC"] = timeZonesOf(plan, offer.zones);
      if (offerState(offer, timeZone, around.at).state !== "ended") continue;
      yield {
        sentence: phrase("“{name}” is on, but all of its time is over.", { name: offer.name }),
        at: onOffer(offer, "/schedule"),
        witness: null,
        fix: {
          words: phrase("Switch it off"),
          changes: [{ kind: "offer", id: offer.id, body: { ...offer, on: false } }],
        },
      };
    }
  },
};
