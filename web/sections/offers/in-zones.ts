import type { Offer, Step } from "../../../core/offers/offer.ts";
import type { Plan } from "../../../core/plan/plan.ts";

/**
 * An offer for other zones. A reward is given on no option that none of them has: it would stay ticked where nobody sees it. The
 * last of them stays, since a reward is given on something.
 *
 * @example inZones(plan, offer, ["madeira"]).steps[0].reward // { kind: "free", options: ["islands"] }
 */
export function inZones(plan: Plan, offer: Offer, zones: readonly string[]): Offer {
  const isThere = (id: string) => {
    const option = plan.options.find((one) => one.id === id);
    return !option || option.zones.length === 0 || option.zones.some((zone) => zones.includes(zone));
  };
  const steps = offer.steps.map((step): Step => {
    const { reward } = step;
    if (!("options" in reward)) return step;
    const options = reward.options.filter(isThere);
    return options.length === 0 || options.length === reward.options.length
      ? step
      : { ...step, reward: { ...reward, options } };
  });
  return { ...offer, zones: [...zones], steps };
}
