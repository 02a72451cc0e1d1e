import { amountOf } from "../../measures/measure-spec.ts";
import { amountFor, resolveAmount } from "../../money/amount.ts";
import { inCurrency } from "../../money/rates.ts";
import { goalOf } from "../../offers/trigger.ts";
import { ratesOf } from "../../plan/plan.ts";
import { type Check, onOffer } from "../check.ts";

/** How far a typed goal may be from what the others come to at today's rates. */
const FAR = 1.6;

/** A goal typed for one currency that is far from the offer's others: a wrong currency, a slip, or left behind by a change. */
export const goalsDiffer: Check = {
  code: "goals-differ",
  severity: "risky",
  *find(context) {
    const rates = ratesOf(context.plan);
    for (const offer of context.plan.offers) {
      for (const [i, step] of offer.steps.entries()) {
        const goal = goalOf(step.trigger);
        const amount = goal && amountOf(goal.at);
        if (!amount) continue;
        const typed = new Map<string, { currency: string; market: string; name: string; minor: number }>();
        for (const zoneContext of context.contextsOf(offer.zones)) {
          const where = context.amountContext(zoneContext);
          const found = resolveAmount(amount, where);
          if (found && found.from !== "conversion")
            typed.set(`${where.market} ${where.currency}`, {
              currency: where.currency,
              market: where.market,
              name: zoneContext.market.name,
              minor: amountFor(amount, where) ?? 0,
            });
        }
        const [home, ...others] = typed.values();
        if (!home) continue;
        for (const other of others) {
          const expected = inCurrency(home.minor, home.currency, other.currency, rates);
          if (!expected || (other.minor <= expected * FAR && other.minor * FAR >= expected)) continue;
          yield {
            sentence: `Step ${i + 1} of “${offer.name}” asks for ${context.money(other.minor, other.currency)} in ${other.name} and ${context.money(home.minor, home.currency)} in ${home.name}: at today’s rates that would be about ${context.money(expected, other.currency)}.`,
            at: onOffer(offer, `/steps/${i}/trigger/goal/at`),
            witness: null,
          };
        }
      }
    }
  },
};
