import { amountOf } from "../../measures/measure-spec.ts";
import { resolveAmount, stepFor } from "../../money/amount.ts";
import { goalOf } from "../../offers/trigger.ts";
import { type Check, onOffer } from "../check.ts";

/** A converted goal that is rounded so finely that it shows as an odd number and moves with the rates (F9). */
export const convertedGoalNotRound: Check = {
  code: "converted-goal-not-round",
  severity: "odd",
  *find(context) {
    for (const offer of context.plan.offers) {
      for (const [i, step] of offer.steps.entries()) {
        const goal = goalOf(step.trigger);
        const amount = goal && amountOf(goal.at);
        if (!amount) continue;
        for (const where of context.contextsOf(offer.zones)) {
          const found = resolveAmount(amount, context.amountContext(where));
          if (found?.from !== "conversion" || found.rounding.lessOne) continue;
          const to = stepFor(found.rounding, where.currency) ?? 1;
          // A hundredth of the goal moves with every day's rates.
          if (to * 100 >= found.minor) continue;
          yield {
            sentence: `Step ${i + 1} of “${offer.name}” shows as ${context.money(found.minor, where.currency)} in ${where.market.name}: its rounding lets it move with every day’s rates.`,
            at: onOffer(offer, `/steps/${i}/trigger/goal/at/converted`),
            witness: null,
          };
        }
      }
    }
  },
};
