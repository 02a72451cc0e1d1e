import type { Condition } from "../../conditions/condition.ts";
import { amountOf } from "../../measures/measure-spec.ts";
import { goalOf, triggerKind } from "../../offers/trigger.ts";
import { type Check, onOffer } from "../check.ts";

/** A goal that no cart can meet while the offer's own condition holds. */
export const goalOutOfReach: Check = {
  code: "goal-out-of-reach",
  severity: "wrong",
  *find(context) {
    for (const offer of context.plan.offers) {
      if (!offer.on || !offer.when) continue;
      for (const [i, step] of offer.steps.entries()) {
        const goal = goalOf(step.trigger);
        if (!goal || triggerKind(step.trigger).codeRole === "stands-for-goal") continue;
        const amount = amountOf(goal.at);
        const is = goal.edge === "from" ? ("at-least" as const) : ("more-than" as const);
        const met: Condition | null =
          offer.counts.kind === "value" && amount
            ? { kind: "value", basis: offer.counts.basis, is, amount }
            : offer.counts.kind === "items" && "items" in goal.at && !offer.counts.leavesOut
              ? { kind: "items", is, count: goal.at.items }
              : null;
        if (!met || context.decide(offer.zones, { kind: "all", of: [offer.when, met] }, true).kind !== "never")
          continue;
        if (context.decide(offer.zones, offer.when, true).kind === "never") continue;
        yield {
          sentence: `The goal of step ${i + 1} of “${offer.name}” cannot be reached: carts that large are not for the offer.`,
          at: onOffer(offer, `/steps/${i}/trigger/goal`),
          witness: null,
        };
      }
    }
  },
};
