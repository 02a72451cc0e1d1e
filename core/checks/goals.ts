import { amountOf } from "../measures/measure-spec.ts";
import type { Amount } from "../money/amount.ts";
import type { Goal } from "../offers/goal.ts";
import type { Offer, Step } from "../offers/offer.ts";
import { goalOf } from "../offers/trigger.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import type { Plan } from "../plan/plan.ts";

/** A step that has a goal, where it stands: its index, and what to call it. */
export type StepWithGoal = {
  readonly offer: Offer;
  readonly step: Step;
  readonly goal: Goal;
  readonly index: number;
  readonly name: Phrase;
};

/** Every goal of a plan, of offers that are off too. */
export const goalsIn = ({ offers }: Plan): StepWithGoal[] =>
  offers.flatMap((offer) =>
    offer.steps.flatMap((step, index) => {
      const goal = goalOf(step.trigger);
      return goal
        ? [
            {
              offer,
              step,
              goal,
              index,
              name: phrase("step {number} of “{name}”", { number: index + 1, name: offer.name }),
            },
          ]
        : [];
    }),
  );

/** Those that are amounts of money. */
export const spendGoalsIn = (plan: Plan): (StepWithGoal & { readonly amount: Amount })[] =>
  goalsIn(plan).flatMap((one) => {
    const amount = amountOf(one.goal.at);
    return amount ? [{ ...one, amount }] : [];
  });
