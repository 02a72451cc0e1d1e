import { phrase } from "../../phrases/phrase.ts";
import { goodsOf, rewardOptions } from "../../rewards/reward.ts";
import { type Check, onOffer } from "../check.ts";

/** A reward on the share of some goods where the charge is the same for any cart: beside other goods they have no share of it. */
export const shareOfFlatCharge: Check = {
  code: "share-of-flat-charge",
  severity: "odd",
  *find({ plan, optionName, list }) {
    for (const offer of plan.offers) {
      if (!offer.on) continue;
      for (const [index, { reward }] of offer.steps.entries()) {
        if (!goodsOf(reward)) continue;
        const flat = plan.options.filter(
          ({ id, charge, byZone = {} }) =>
            rewardOptions(reward).includes(id) &&
            charge.kind === "flat" &&
            Object.values(byZone).every((own) => (own.charge?.kind ?? "flat") === "flat"),
        );
        if (flat.length > 0)
          yield {
            step: index,
            sentence: ({ words, count }) =>
              phrase(
                "{words} of “{name}” {count, plural, one {takes} other {take}} off the share of some goods, and {list} charges the same for any cart: beside other goods they have no share of it.",
                {
                  words,
                  name: offer.name,
                  count,
                  list: list(flat.map(({ id }) => optionName(id))),
                },
              ),
            at: onOffer(offer, `/steps/${index}/reward/goods`),
            witness: null,
          };
      }
    }
  },
};
