import { amountFor } from "../../money/amount.ts";
import { writtenMoney } from "../../money/format.ts";
import { phrase } from "../../phrases/phrase.ts";
import { ratesOf } from "../../plan/plan.ts";
import { type Check, onOffer } from "../check.ts";
import { spendGoalsIn } from "../goals.ts";

/** From so many orders on, the share of them that falls short is no chance. */
const LEAST_ORDERS = 30;
const MOST_SHORT = 0.5;

/** A goal that most past orders a little below it could not be brought to by one more product on sale, or by two. */
export const ordersFallShort: Check = {
  code: "orders-fall-short",
  severity: "odd",
  *find({ plan, around: { reach = [] } }) {
    const rates = ratesOf(plan);
    for (const { offer, step, amount, index } of spendGoalsIn(plan)) {
      if (!offer.on) continue;
      for (const { market, currency, goal, one, two, none } of reach.filter(
        (known) => known.offer === offer.id && known.step === step.id,
      )) {
        const orders = one + two + none;
        // What was counted for another goal says nothing about this one.
        if (amountFor(amount, { zone: null, market, currency, rates }) !== goal) continue;
        if (orders < LEAST_ORDERS || none / orders <= MOST_SHORT) continue;
        yield {
          sentence: phrase(
            "Of {orders} past orders a little below {goal} in {market}, {none} could not be brought there by one more product or by two.",
            {
              ...{ orders, none, goal: writtenMoney(goal, currency) },
              market: plan.markets.find(({ id }) => id === market)?.name ?? market,
            },
          ),
          at: onOffer(offer, `/steps/${index}/trigger/goal`),
          witness: null,
        };
      }
    }
  },
};
