import { markAt } from "../measures/measure-spec.ts";
import { goalOf } from "../offers/trigger.ts";
import { marketsOf } from "../places/markets-of.ts";
import { type Plan, ratesOf } from "../plan/plan.ts";
import type { Reward } from "../rewards/reward.ts";
import { byPosition } from "../schema/atoms.ts";
import type { ValueCounting } from "./order-facts.ts";

/** A goal in money that a plan sets a market. Amounts in minor units. */
export type PlanGoal = {
  readonly offer: string;
  readonly step: string;
  readonly market: string;
  /** The zones of the offer, of other markets too. */
  readonly zones: readonly string[];
  readonly currency: string;
  readonly goal: number;
  /** What counts towards it. */
  readonly counting: ValueCounting;
  readonly isFree: boolean;
  /** Whether every shopper of the market can reach it: no condition or code stands before it. */
  readonly isForAll: boolean;
};

/**
 * Every goal in money of the offers that are on, for each market that it holds in and currency taken there, in the order of the offers.
 *
 * @example goalsOfPlan(plan)[0] // { offer: "free-standard", market: "portugal", currency: "EUR", goal: 4500, … }
 */
export function goalsOfPlan(plan: Plan): PlanGoal[] {
  const rates = ratesOf(plan);
  return [...plan.offers].sort(byPosition).flatMap((offer) => {
    const { counts } = offer;
    if (!offer.on || counts.kind !== "value") return [];
    const markets = marketsOf(plan, offer.zones);
    return offer.steps.flatMap((step) => {
      const goal = goalOf(step.trigger);
      if (!goal) return [];
      return markets.flatMap(({ id: market, currencies }) =>
        currencies.flatMap((currency): PlanGoal[] => {
          const at = markAt(goal.at, { zone: null, market, currency, rates });
          if (at === undefined) return [];
          return [
            {
              ...{ offer: offer.id, step: step.id, market, zones: offer.zones, currency, goal: at, counting: counts },
              isFree: step.reward.kind === "free",
              isForAll: offer.when === undefined && step.trigger.kind === "goal",
            },
          ];
        }),
      );
    });
  });
}

/** A step of a plan in one market and currency. */
type StepAt = {
  readonly offer: string;
  readonly step: string;
  readonly market?: string | undefined;
  readonly currency: string;
};

/** What the steps of an offer give that have the same goal as one of them, that one first. */
export function rewardsAt(plan: Plan, { offer, step, market, currency }: StepAt): { reward: Reward; market: string }[] {
  const goals = goalsOfPlan(plan).filter((goal) => goal.offer === offer && goal.currency === currency);
  const one = goals.find((goal) => goal.step === step && (market === undefined || goal.market === market));
  if (!one) return [];
  const alike = goals.filter((goal) => goal.market === one.market && goal.goal === one.goal && goal.step !== step);
  const steps = plan.offers.find(({ id }) => id === offer)?.steps ?? [];
  return [one, ...alike].flatMap((goal) => {
    const found = steps.find(({ id }) => id === goal.step);
    return found ? [{ reward: found.reward, market: goal.market }] : [];
  });
}
