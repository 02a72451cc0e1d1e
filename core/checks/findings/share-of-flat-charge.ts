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
            sentence: ({ words, several }) =>
              `${words} of “${offer.name}” ${several ? "take" : "takes"} off the share of some goods, and ${list(flat.map(({ id }) => optionName(id)))} charges the same for any cart: beside other goods they have no share of it.`,
            at: onOffer(offer, `/steps/${index}/reward/goods`),
            witness: null,
          };
      }
    }
  },
};
