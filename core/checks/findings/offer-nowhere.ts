import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";

/** An offer that is on, and holds in no zone that is. */
export const offerNowhere: Check = {
  code: "offer-nowhere",
  severity: "risky",
  *find({ plan }) {
    const on = new Set(plan.zones.filter((zone) => zone.on !== false).map(({ id }) => id));
    for (const offer of plan.offers)
      if (offer.on && !offer.zones.some((zone) => on.has(zone)))
        yield {
          sentence: phrase("“{name}” is on, but holds nowhere.", { name: offer.name }),
          at: onOffer(offer, "/zones"),
          witness: null,
        };
  },
};
