import { phrase } from "../../phrases/phrase.ts";
import { rewardOptions } from "../../rewards/reward.ts";
import { type Check, onOffer } from "../check.ts";

/** A reward on options that a zone of the offer does not have: there the step gives nothing. */
export const rewardOptionNotThere: Check = {
  code: "reward-option-not-there",
  severity: "risky",
  *find(context) {
    const { plan, list, zoneName, optionName } = context;
    for (const offer of plan.offers) {
      if (!offer.on) continue;
      for (const [i, step] of offer.steps.entries()) {
        const options = rewardOptions(step.reward);
        if (options.length === 0) continue;
        const without = offer.zones.filter((zone) => {
          const there = context.there(zone).options;
          return there.length > 0 && !there.some(({ id }) => options.includes(id));
        });
        if (without.length === 0) continue;
        yield {
          step: i,
          sentence: ({ inside }) =>
            phrase("“{name}” gives nothing in {list} by {inside}: {options} is not offered there.", {
              name: offer.name,
              list: list(without.map(zoneName)),
              inside,
              options: list(options.map(optionName)),
            }),
          at: onOffer(offer, `/steps/${i}/reward/options`),
          witness: null,
        };
      }
    }
  },
};
