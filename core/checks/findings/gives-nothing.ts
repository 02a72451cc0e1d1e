import type { ZoneContext } from "../../analysis/world.ts";
import { cartAt } from "../../climb/cart-at.ts";
import { climb } from "../../climb/climb.ts";
import { markAt } from "../../measures/measure-spec.ts";
import { OUT_OF_REACH, type StepState } from "../../messages/states.ts";
import type { Goal } from "../../offers/goal.ts";
import type { Offer, Step } from "../../offers/offer.ts";
import { codesOf, goalOf } from "../../offers/trigger.ts";
import { phrase } from "../../phrases/phrase.ts";
import { visitCharges } from "../../plan/visit-charges.ts";
import { quote } from "../../quote/quote.ts";
import { isOnOrder, namedOptions } from "../../rewards/reward.ts";
import { type Check, type CheckContext, onOffer } from "../check.ts";

/** A step that changes nothing on the whole climb, whatever a shopper of its kind adds: its options are that cheap anyway. */
export const givesNothing: Check = {
  code: "gives-nothing",
  severity: "risky",
  isSlow: true,
  *find(context) {
    const carried = new Set(
      visitCharges(context.plan).flatMap(({ option, charge }) => (charge.kind === "carrier" ? [option.id] : [])),
    );
    for (const offer of context.plan.offers) {
      if (!offer.on || offer.counts.kind !== "value" || offer.limits) continue;
      for (const [i, step] of offer.steps.entries()) {
        const goal = goalOf(step.trigger);
        if (isOnOrder(step.reward) || !goal || codesOf(step.trigger).length > 0) continue;
        // What a live carrier asks is not known here.
        const { options } = step.reward;
        const others = namedOptions(step.reward).map(({ id }) => id);
        if ([...options, ...others].some((id) => carried.has(id))) continue;
        const contexts = context.contextsOf(offer.zones);
        // One where it gives something settles it.
        const idle = contexts.every(
          (where) =>
            !context.memory.gives.of(
              JSON.stringify([offer.id, step.id, where.zone.id, where.currency]),
              context.madeOf.prices(where.zone.id),
              () => givesSomething(context, offer, step, goal, where),
            ),
        );
        if (contexts.length === 0 || !idle) continue;
        yield {
          step: i,
          sentence: ({ words, count }) =>
            phrase(
              "{words} of “{name}” {count, plural, one {gives} other {give}} nothing that shoppers do not have anyway.",
              {
                words,
                name: offer.name,
                count,
              },
            ),
          at: onOffer(offer, `/steps/${i}`),
          witness: null,
        };
      }
    }
  },
};

/** Whether a step betters anything on a climb past its goal, for those the offer is for. */
function givesSomething(context: CheckContext, offer: Offer, step: Step, goal: Goal, where: ZoneContext): boolean {
  const met = offer.when ? context.decide([where.zone.id], offer.when, true) : null;
  if (met && met.kind !== "witness") return true;
  const at = markAt(goal.at, context.amountContext(where));
  if (at === undefined) return true;
  const start = met?.request ?? context.request(where, 0);
  const moment = offer.schedule ? {} : { at: start.at };
  const request = { ...start, ...moment, currency: where.currency };
  // Mostly a cart that is worth the goal, or an empty one, tells it already.
  const tells = (x: number) => {
    const made = quote(context.compiled, { ...request, cart: cartAt(request.cart, x) }, { text: false });
    if (!("quote" in made) || made.quote.zone === null) return false;
    const stands = made.quote.progress.find((one) => one.offer === offer.id && one.step === step.id);
    return stands !== undefined && !isIdle(stands.state);
  };
  if ([at, 0].some(tells)) return true;
  const result = climb(context.compiled, request, at * 2);
  if (!("climb" in result) || !result.climb) return true;
  const number = result.climb.steps.findIndex((one) => one.offer === offer.id && one.step === step.id);
  const states = result.climb.intervals.map((one) => one.steps[number]?.state);
  return !(states.includes("covered") && states.every((state) => state !== undefined && isIdle(state)));
}

const isIdle = (state: StepState): boolean => state === "covered" || OUT_OF_REACH.has(state);
