import { resolveAmount, stepFor } from "../../money/amount.ts";
import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";
import { spendGoalsIn } from "../goals.ts";

/** A converted goal that is rounded so finely that it shows as an odd number and moves with the rates (F9). */
export const convertedGoalNotRound: Check = {
  code: "converted-goal-not-round",
  severity: "odd",
  *find(context) {
    for (const { offer, amount, index } of spendGoalsIn(context.plan)) {
      for (const where of context.contextsOf(offer.zones)) {
        const found = resolveAmount(amount, context.amountContext(where));
        if (found?.from !== "conversion" || found.rounding.lessOne) continue;
        const to = stepFor(found.rounding, where.currency) ?? 1;
        // A hundredth of the goal moves with every day's rates.
        if (to * 100 >= found.minor) continue;
        yield {
          sentence: phrase(
            "Step {number} of “{name}” shows as {money} in {market}: its rounding lets it move with every day’s rates.",
            {
              number: index + 1,
              name: offer.name,
              money: context.money(found.minor, where.currency),
              market: where.market.name,
            },
          ),
          at: onOffer(offer, `/steps/${index}/trigger/goal/at/converted`),
          witness: null,
        };
      }
    }
  },
};
