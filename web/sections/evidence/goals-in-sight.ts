import { goalsOfPlan, type PlanGoal } from "../../../core/evidence/goals-of-plan.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { OrderFilter } from "../../../server/orders/order-filter.ts";

/** The goals of a plan that the orders in sight could have met. */
export const goalsInSight = (plan: Plan, { currency, market, zone }: OrderFilter): PlanGoal[] =>
  goalsOfPlan(plan).filter(
    (goal) =>
      goal.currency === currency &&
      (market === undefined || goal.market === market) &&
      (zone === undefined || goal.zones.includes(zone)),
  );
