import { freeDeliveryTexts } from "../../../core/messages/house-texts.ts";
import type { Offer, Step } from "../../../core/offers/offer.ts";
import { codesOf } from "../../../core/offers/trigger.ts";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { rewardOptions } from "../../../core/rewards/reward.ts";
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
const textsOf = (plan: Plan, zones: readonly string[], hasGoal = true): Step["wording"] =>
  freeDeliveryTexts(languagesRead(marketsOf(plan, zones)), sourceLanguageOf(plan), { hasGoal });

/** A common offer: what it makes is ordinary settings, to be changed like any other. */
export type OfferPattern = {
  readonly id: string;
  readonly name: Phrase;
  /** Made of the plainest one; null where the zone has not what it takes. */
  readonly make: (plain: Offer, plan: Plan) => Offer | null;
};

export const OFFER_PATTERNS: readonly OfferPattern[] = [
  { id: "goal", name: phrase("Free from an amount"), make: (plain) => plain },
  {
    id: "ladder",
    name: phrase("Two steps: the first option, then the next as well"),
    make: (plain, plan) => {
      const [first] = plain.steps;
      const others = plan.options.filter(
        ({ id, on, zones }) =>
          on !== false && zones.some((zone) => plain.zones.includes(zone)) && !rewarded(plain).includes(id),
      );
      const [other] = others;
      if (!first || !other) return null;
      const second = nextStep(plan, plain, [other.id]);
      return { ...plain, steps: [first, { ...second, trigger: goalOfEach(first, "100") }] };
    },
  },
  {
    id: "code",
    name: phrase("Free with a code"),
    make: (plain, plan) => withTrigger(plain, plan, { kind: "code", codes: [freeCode(plan)] }),
  },
  {
    id: "pieces",
    name: phrase("Free from three pieces"),
    make: (plain) => ({
      ...plain,
      counts: { kind: "items" },
      steps: plain.steps.map((step) => ({
        ...step,
        trigger: { kind: "goal", goal: { at: { items: 3 }, edge: "from" } },
      })),
    }),
  },
  {
    id: "members",
    name: phrase("Free for who is signed in"),
    make: (plain, plan) => {
      const made = withTrigger(plain, plan, { kind: "nothing" });
      return { ...made, when: { kind: "signed-in" } };
    },
  },
  {
    id: "weekend",
    name: phrase("Free from an amount, for one weekend"),
    make: (plain) => ({ ...plain, schedule: [nextWeekend(new Date())] }),
  },
];

const rewarded = ({ steps }: Offer): readonly string[] => steps.flatMap(({ reward }) => rewardOptions(reward));

/** The step's goal with another figure in each of its currencies. */
function goalOfEach({ trigger }: Step, figure: string): Step["trigger"] {
  const at = "goal" in trigger && "byCurrency" in trigger.goal.at ? (trigger.goal.at.byCurrency ?? {}) : {};
  const byCurrency = Object.fromEntries(Object.keys(at).map((code) => [code, figure]));
  return { kind: "goal", goal: { at: { byCurrency }, edge: "from" } };
}

const withTrigger = (plain: Offer, plan: Plan, trigger: Step["trigger"]): Offer => ({
  ...plain,
  steps: plain.steps.map((step) => ({ ...step, trigger, wording: textsOf(plan, plain.zones, false) })),
});

/** A code that no offer has yet. */
function freeCode(plan: Plan): string {
  const taken = new Set(plan.offers.flatMap(({ steps }) => steps.flatMap(({ trigger }) => codesOf(trigger))));
  let number = 1;
  while (taken.has(`FREE${number}`)) number += 1;
  return `FREE${number}`;
}

/** From Friday until Sunday ends, the next that has not begun. @example nextWeekend(a Thursday) // tomorrow until Sunday */
export function nextWeekend(now: Date): { from: string; until: string } {
  const FRIDAY = 5;
  const toFriday = (FRIDAY - now.getUTCDay() + 7) % 7 || 7;
  const day = (after: number) => new Date(now.getTime() + after * 86_400_000).toISOString().slice(0, 10);
  return { from: day(toFriday), until: day(toFriday + 2) };
}
