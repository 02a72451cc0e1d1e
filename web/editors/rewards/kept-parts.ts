import type { Amount } from "../../../core/money/amount.ts";
import type { DeliveryReward, Reward } from "../../../core/rewards/reward.ts";

// What a reward hands on to one of another kind in its place.

type On = Pick<DeliveryReward, "options" | "limit" | "covers">;

/** What it is given on, up to which price, and what falls away with the charge. */
export function onKept(former: Reward, options: readonly string[]): On {
  if (!("options" in former) || former.options.length === 0) return { options: [...options] };
  const { limit, covers } = former;
  return { options: former.options, ...(limit ? { limit } : {}), ...(covers ? { covers } : {}) };
}

export const amountKept = (former: Reward): Amount => ("amount" in former ? former.amount : { byCurrency: {} });

export const percentKept = (former: Reward): string | undefined => ("percent" in former ? former.percent : undefined);
