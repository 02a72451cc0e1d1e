import { goalsOfPlan } from "../../../core/evidence/goals-of-plan.ts";
import { countingKey, type ValueCounting } from "../../../core/evidence/order-facts.ts";
import { majorIn } from "../../../core/money/decimal.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { rewardOptions } from "../../../core/rewards/reward.ts";
import { withGoal, withGoalAmount } from "../../editors/amounts/with-goal.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { newOffer, nextStep } from "../offers/new-offer.ts";

type Place = { readonly market: string; readonly currency: string; readonly counting: ValueCounting };

/** A way to put a goal into the draft: the offer as it would be, in words before and after. */
export type GoalHome = { readonly id: string; readonly words: string; readonly done: string; readonly body: Offer };

/**
 * Where a goal could go: a goal of the market moved, a further step of one of its offers, or an offer of its own.
 *
 * @param goal in minor units
 */
export function goalHomes(plan: Plan, { market, currency, counting }: Place, goal: number): GoalHome[] {
  const text = makersMoney(goal, currency);
  const at = { byCurrency: { [currency]: majorIn(goal, currency) } };
  const zones = plan.zones.filter((zone) => zone.market === market).map(({ id }) => id);
  const here = goalsOfPlan(plan).filter(
    (one) => one.market === market && one.currency === currency && countingKey(one.counting) === countingKey(counting),
  );
  const moved = here.flatMap((one): GoalHome[] => {
    const offer = plan.offers.find(({ id }) => id === one.offer);
    if (!offer || one.goal === goal) return [];
    const before = makersMoney(one.goal, currency);
    return [
      {
        id: `move:${one.offer}/${one.step}`,
        words: say("{offer}: instead of {before}", { offer: offer.name, before }),
        done: say("{offer} has its goal at {text}.", { offer: offer.name, text }),
        body: withGoal(offer, one.step, { zone: null, market, currency }, goal),
      },
    ];
  });
  // A step of an offer that holds elsewhere too would be missing its amount there.
  const own = plan.offers.filter(
    (offer) =>
      offer.zones.every((zone) => zones.includes(zone)) &&
      here.some((one) => one.offer === offer.id && one.goal < goal) &&
      offer.steps.length < 20,
  );
  const steps = own.map((offer): GoalHome => {
    const last = offer.steps.at(-1);
    const step = nextStep(plan, offer, last ? rewardOptions(last.reward) : []);
    return {
      id: `step:${offer.id}`,
      words: say("{offer}: as a further step", { offer: offer.name }),
      done: say("{offer} has a further step at {text}.", { offer: offer.name, text }),
      body: withGoalAmount({ ...offer, steps: [...offer.steps, step] }, step.id, at),
    };
  });
  const name = say("Free from {text}", { text });
  const made = newOffer(plan, zones, name);
  const first = made?.steps[0];
  const offers: GoalHome[] =
    made && first
      ? [
          {
            id: "offer",
            words: say("as an offer of its own, switched off at first"),
            done: say("{name} is among the offers, switched off.", { name }),
            body: withGoalAmount({ ...made, counts: counting }, first.id, at),
          },
        ]
      : [];
  return [...moved, ...steps, ...offers];
}
