import { freeDeliveryTexts } from "../../../core/messages/house-texts.ts";
import type { Offer, Step } from "../../../core/offers/offer.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { freeId, lastPosition } from "../../../core/schema/positions.ts";
import { sourceLanguageOf } from "../../../core/translation/translation-units.ts";
import { languagesRead } from "../../names/languages.ts";

const BASIS = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } as const;

/** What a new offer starts as: free delivery of the zone's first option from a round amount, switched off. */
export function newOffer(plan: Plan, zones: readonly string[], name: string): Offer | null {
  const option = plan.options.find((one) => one.on !== false && one.zones.some((zone) => zones.includes(zone)));
  if (!option) return null;
  const id = freeId(
    name,
    plan.offers.map((offer) => offer.id),
  );
  const markets = new Set(plan.zones.filter((zone) => zones.includes(zone.id)).map(({ market }) => market));
  const currencies = plan.markets.filter((market) => markets.has(market.id)).flatMap((market) => market.currencies);
  const step: Step = {
    id: "step-1",
    position: 10,
    trigger: {
      kind: "goal",
      goal: { at: { byCurrency: Object.fromEntries(currencies.map((code) => [code, "50"])) }, edge: "from" },
    },
    reward: { kind: "free", options: [option.id] },
    wording: textsOf(plan, zones),
  };
  return {
    id,
    position: lastPosition(plan.offers),
    name,
    on: false,
    zones: [...zones],
    counts: { kind: "value", basis: BASIS },
    stacking: { kind: "alone" },
    steps: [step],
  };
}

/** One more step above the others: half as much again where the highest goal is a spend. */
export function nextStep(plan: Plan, offer: Offer, options: readonly string[]): Step {
  const id = freeId(
    `step-${offer.steps.length + 1}`,
    offer.steps.map((step) => step.id),
  );
  const top = [...offer.steps].sort((a, b) => b.position - a.position)[0];
  const trigger = top && "goal" in top.trigger ? top.trigger : null;
  return {
    id,
    position: lastPosition(offer.steps),
    trigger: trigger ? { kind: "goal", goal: trigger.goal } : { kind: "nothing" },
    reward: { kind: "free", options: [...options] },
    wording: textsOf(plan, offer.zones),
  };
}

/** What shoppers of the zones' markets read about free delivery, in each of their languages. */
const textsOf = (plan: Plan, zones: readonly string[]): Step["wording"] =>
  freeDeliveryTexts(languagesRead(marketsOf(plan, zones)), sourceLanguageOf(plan));
