import { leavesOutWords } from "../measures/goods-filter.ts";
import { ladderWords } from "../measures/measure-spec.ts";
import type { AmountContext } from "../money/amount.ts";
import type { Offer, Step } from "../offers/offer.ts";
import { isOnOrder } from "../rewards/reward.ts";
import { byPosition } from "../schema/atoms.ts";

/**
 * What an offer means besides its sentence: what it is measured by, what falls away with a charge. Both together say all there is
 * to say.
 *
 * @example ["counts goods after all discounts, with tax"]
 */
export function offerDetails({ on, counts, signInLure, steps }: Offer, context: AmountContext): string[] {
  return [
    ...(on ? [] : ["is switched off"]),
    `counts ${ladderWords(counts, context)}`,
    ...[...steps].sort(byPosition).flatMap((step, i) => coverWords(step, steps.length > 1 ? `step ${i + 1}` : "it")),
    ...(signInLure ? ["guests are told where signing in is all that is missing"] : []),
  ];
}

const PARTS = [
  { part: "handling", otherwise: true, words: "handling" },
  { part: "surcharges", otherwise: true, words: "surcharges" },
  { part: "ownCharges", otherwise: false, words: "products' own charges" },
] as const;

/** Where a reward covers other parts of a price than most do, or not all goods. */
function coverWords({ reward }: Step, which: string): string[] {
  if (reward.kind === "order-percent-off" && reward.leavesOut)
    return [`${which} gives nothing on some goods${leavesOutWords(reward.leavesOut)}`];
  if (isOnOrder(reward)) return [];
  return PARTS.flatMap(({ part, otherwise, words }) => {
    const covered = reward.covers?.[part] ?? otherwise;
    if (covered === otherwise) return [];
    return [covered ? `${which} takes ${words} off too` : `${which} leaves ${words} to be paid`];
  });
}
