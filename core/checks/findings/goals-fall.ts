import { markAt } from "../../measures/measure-spec.ts";
import { goalOf } from "../../offers/trigger.ts";
import { phrase } from "../../phrases/phrase.ts";
import { byPosition } from "../../schema/atoms.ts";
import { type Check, onOffer } from "../check.ts";

/** A ladder whose later step asks for less than an earlier one. */
export const goalsFall: Check = {
  code: "goals-fall",
  severity: "wrong",
  *find(context) {
    for (const offer of context.plan.offers) {
      const steps = [...offer.steps].sort(byPosition);
      const said = new Set<string>();
      for (const where of context.contextsOf(offer.zones)) {
        let highest = Number.NEGATIVE_INFINITY;
        for (const [i, step] of steps.entries()) {
          const goal = goalOf(step.trigger);
          const at = goal ? markAt(goal.at, context.amountContext(where)) : undefined;
          if (at === undefined) continue;
          const key = `${where.market.id} ${where.currency} ${i}`;
          if (at <= highest && !said.has(key)) {
            said.add(key);
            yield {
              sentence: phrase(
                "In {zone}, {currency}, step {number} of “{name}” asks for no more than the step below it.",
                { zone: where.market.name, currency: where.currency, number: i + 1, name: offer.name },
              ),
              at: onOffer(offer, `/steps/${offer.steps.indexOf(step)}/trigger/goal/at`),
              witness: null,
            };
          }
          highest = Math.max(highest, at);
        }
      }
    }
  },
};
