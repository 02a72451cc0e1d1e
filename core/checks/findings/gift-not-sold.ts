import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";

/** Gifts that are in no catalogue: the shop is told to add what it does not have. */
export const giftNotSold: Check = {
  code: "gift-not-sold",
  severity: "wrong",
  *find({ plan, around: { products } }) {
    // Without a catalogue nothing is known of what is sold.
    if (products.length === 0) return;
    const sold = new Set(products.map(({ sku }) => sku));
    for (const offer of plan.offers) {
      if (!offer.on) continue;
      for (const [i, { reward }] of offer.steps.entries())
        if (reward.kind === "gift" && !sold.has(reward.sku))
          yield {
            sentence: phrase("“{name}” gives {sku}, which is not in the catalogue.", {
              name: offer.name,
              sku: reward.sku,
            }),
            at: onOffer(offer, `/steps/${i}/reward/sku`),
            witness: null,
          };
    }
  },
};
