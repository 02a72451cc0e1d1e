import { goodsFilter } from "../../measures/goods-filter.ts";
import { amountOf } from "../../measures/measure-spec.ts";
import { amountFor } from "../../money/amount.ts";
import { goalOf } from "../../offers/trigger.ts";
import { type Check, onOffer } from "../check.ts";

/** A goal that any single product meets, or any two of the cheapest do not need to: nobody has to add anything (F2). */
export const goalMetByOneProduct: Check = {
  code: "goal-met-by-one-product",
  severity: "risky",
  *find(context) {
    for (const offer of context.plan.offers) {
      if (!offer.on || offer.counts.kind !== "value") continue;
      const counts = goodsFilter(offer.counts.basis.leavesOut);
      for (const [i, step] of offer.steps.entries()) {
        const goal = goalOf(step.trigger);
        const amount = goal && amountOf(goal.at);
        if (!amount) continue;
        for (const where of context.contextsOf(offer.zones)) {
          const at = amountFor(amount, context.amountContext(where));
          const prices = context.around.products
            .filter(counts)
            .flatMap(({ prices: of }) => of[where.currency] ?? [])
            .filter((price) => price > 0);
          const cheapest = Math.min(...prices);
          if (at === undefined || prices.length < 3 || at >= 2 * cheapest) continue;
          yield {
            sentence: `The goal of step ${i + 1} of “${offer.name}”, ${context.money(at, where.currency)}, is met by ${at <= cheapest ? "any single product" : "fewer than two of the cheapest product"} (${context.money(cheapest, where.currency)}).`,
            at: onOffer(offer, `/steps/${i}/trigger/goal`),
            witness: context.request(where, cheapest),
          };
          break;
        }
      }
    }
  },
};
