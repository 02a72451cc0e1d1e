import { type Parts, sumOf } from "../delivery/full-price.ts";
import type { AmountContext } from "../money/amount.ts";
import { rounded } from "../money/linear-amount.ts";
import { compileReward } from "../rewards/apply-rewards.ts";
import { type DeliveryReward, isOnOrder, type OrderReward, orderReward, type Reward } from "../rewards/reward.ts";

/** What an order that reaches a goal is given, on the mean, in minor units. */
export type Given = {
  /** Off its delivery. */
  readonly delivery: number;
  /** Gifts, at what they cost the store, and money off. */
  readonly order: number;
  /** Off each minor unit that it is worth. */
  readonly ofWorth: number;
};

/** What has to be known to say what rewards cost. */
export type GivenIn = {
  readonly context: AmountContext;
  /** What a delivery counts as that is given away. */
  readonly perDelivery: number;
  /** What a piece of some goods costs the store; null where that is not known. */
  readonly costOf: (sku: string) => number | null;
};

/** Free delivery and nothing else. */
export const freeDelivery = (perDelivery: number): Given => ({ delivery: perDelivery, order: 0, ofWorth: 0 });

/**
 * What rewards give away together; null where it cannot be told: they make delivery cost what another option does, or an amount or
 * what a gift costs is missing. Percents are taken to be of all that an order is worth.
 *
 * @example givenBy([{ kind: "free", options: ["standard"] }], { perDelivery: 490, … }) // { delivery: 490, order: 0, ofWorth: 0 }
 */
export function givenBy(rewards: readonly Reward[], known: GivenIn): Given | null {
  const onDelivery = deliveryOff(
    rewards.filter((reward): reward is DeliveryReward => !isOnOrder(reward)),
    known,
  );
  if (onDelivery === null) return null;
  let [order, kept] = [0, 1];
  for (const reward of rewards.filter(isOnOrder)) {
    const given = orderOff(reward, known);
    if (given === null) return null;
    order += given.order;
    // Percents are multiplied, as a quote does it.
    kept *= 1 - given.ofWorth;
  }
  return { delivery: onDelivery, order, ofWorth: 1 - kept };
}

/** What is taken off a delivery by rewards, each in its turn, as a quote takes it off. */
function deliveryOff(rewards: readonly DeliveryReward[], { context, perDelivery }: GivenIn): number | null {
  const compiled = rewards.map((reward) => compileReward(reward, context));
  let parts: Parts = { charge: perDelivery, handling: 0, surcharges: 0, own: 0 };
  let isKnown = true;
  // What other options cost, and some of the goods, is in no mean.
  const untold = () => {
    isKnown = false;
    return "not-offered" as const;
  };
  const tools = { horizon: null, fullPriceOf: untold, fullPriceWithout: untold };
  for (const reward of [...compiled].sort((a, b) => (a?.turn ?? 0) - (b?.turn ?? 0))) {
    if (!reward || reward.goods !== null) return null;
    if (reward.limit !== null && perDelivery > reward.limit) continue;
    parts = reward.change(parts, reward, tools);
  }
  return isKnown ? perDelivery - rounded(sumOf(parts)) : null;
}

function orderOff(reward: OrderReward, { context, costOf }: GivenIn): Pick<Given, "order" | "ofWorth"> | null {
  const compiled = orderReward(reward).compile(reward, context);
  switch (compiled?.kind) {
    case undefined:
      return null;
    case "gift": {
      const cost = costOf(compiled.sku);
      return cost === null ? null : { order: cost * compiled.quantity, ofWorth: 0 };
    }
    case "money":
      return { order: compiled.amount, ofWorth: 0 };
    case "percent":
      return { order: 0, ofWorth: Number(compiled.part.n) / Number(compiled.part.d) };
  }
}
