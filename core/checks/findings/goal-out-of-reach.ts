import type { Condition } from "../../conditions/condition.ts";
import { amountOf } from "../../measures/measure-spec.ts";
import { triggerKind } from "../../offers/trigger.ts";
import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";
import { goalsIn, type StepWithGoal } from "../goals.ts";

/** A goal that no cart can meet while the offer's own condition holds. */
export const goalOutOfReach: Check = {
  code: "goal-out-of-reach",
  severity: "wrong",
  isSlow: true,
  *find(context) {
    for (const one of goalsIn(context.plan)) {
      const { offer, step, index } = one;
      if (!offer.on || !offer.when || triggerKind(step.trigger).codeRole === "stands-for-goal") continue;
      const met = goalMet(one);
      if (!met || context.decide(offer.zones, { kind: "all", of: [offer.when, met] }, true).kind !== "never") continue;
      if (context.decide(offer.zones, offer.when, true).kind === "never") continue;
      yield {
        step: index,
        sentence: ({ inside, count }) =>
          phrase(
            "The {count, plural, one {goal} other {goals}} of {inside} of “{name}” cannot be reached: carts that large are not for the offer.",
            {
              count,
              inside,
              name: offer.name,
            },
          ),
        at: onOffer(offer, `/steps/${index}/trigger/goal`),
        witness: null,
      };
    }
  },
};

/** That a goal is met, as a condition; null where no condition says so. */
function goalMet({ offer: { counts }, goal: { at, edge } }: StepWithGoal): Condition | null {
  if (counts.only) return null;
  const is = edge === "from" ? "at-least" : "more-than";
  const amount = amountOf(at);
  if (counts.kind === "value" && amount) return { kind: "value", basis: counts.basis, is, amount };
  if (counts.kind === "items" && "items" in at && !counts.leavesOut) return { kind: "items", is, count: at.items };
  return null;
}
