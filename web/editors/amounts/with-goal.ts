import { amountOf } from "../../../core/measures/measure-spec.ts";
import type { Amount } from "../../../core/money/amount.ts";
import type { Offer, Step } from "../../../core/offers/offer.ts";
import { goalOf } from "../../../core/offers/trigger.ts";
import { type AmountPlace, withAmount } from "./with-amount.ts";

/** What has to be spent for a step; undefined when its goal is something else, or it has none. */
export function spendGoal(step: Step | undefined): Amount | undefined {
  const goal = step && goalOf(step.trigger);
  return goal ? amountOf(goal.at) : undefined;
}

/** The offer with another spend goal of one step. */
export const withGoalAmount = (offer: Offer, step: string, at: Amount): Offer => ({
  ...offer,
  steps: offer.steps.map((candidate) => {
    const { trigger } = candidate;
    if (candidate.id !== step || !("goal" in trigger)) return candidate;
    return { ...candidate, trigger: { ...trigger, goal: { ...trigger.goal, at } } };
  }),
});

/** The offer with the goal of one step set where it comes from at a place. */
export function withGoal(offer: Offer, step: string, place: AmountPlace, minor: number): Offer {
  const at = spendGoal(offer.steps.find(({ id }) => id === step));
  return at ? withGoalAmount(offer, step, withAmount(at, place, minor)) : offer;
}
