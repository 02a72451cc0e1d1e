import { leavesOutWords } from "../measures/goods-filter.ts";
import { ladderWords } from "../measures/measure-spec.ts";
import type { AmountContext } from "../money/amount.ts";
import type { Offer, Step } from "../offers/offer.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import { isOnOrder } from "../rewards/reward.ts";
import { byPosition } from "../schema/atoms.ts";

/** What a screen that shows it otherwise leaves out. */
export const IS_OFF = phrase("is switched off");

/**
 * What an offer means besides its sentence: what it is measured by, what falls away with a charge. Both together say all there is
 * to say.
 *
 * @example ["counts goods after all discounts, with tax"]
 */
export function offerDetails({ on, counts, signInLure, steps }: Offer, context: AmountContext): Phrase[] {
  return [
    ...(on ? [] : [IS_OFF]),
    phrase("counts {measure}", { measure: ladderWords(counts, context) }),
    ...[...steps]
      .sort(byPosition)
      .flatMap((step, i) =>
        coverWords(step, steps.length > 1 ? phrase("step {number}", { number: i + 1 }) : phrase("it")),
      ),
    ...(signInLure ? [phrase("guests are told where signing in is all that is missing")] : []),
  ];
}

const PARTS = [
  { part: "handling", otherwise: true, words: phrase("handling") },
  { part: "surcharges", otherwise: true, words: phrase("surcharges") },
  { part: "ownCharges", otherwise: false, words: phrase("products' own charges") },
] as const;

/** Where a reward covers other parts of a price than most do, or not all goods. */
function coverWords({ reward }: Step, which: Phrase): Phrase[] {
  if (reward.kind === "order-percent-off" && reward.leavesOut)
    return [
      phrase("{which} gives nothing on some goods{leavesOut}", {
        which,
        leavesOut: leavesOutWords(reward.leavesOut),
      }),
    ];
  if (isOnOrder(reward)) return [];
  return PARTS.flatMap(({ part, otherwise, words }) => {
    const covered = reward.covers?.[part] ?? otherwise;
    if (covered === otherwise) return [];
    return [
      covered
        ? phrase("{which} takes {words} off too", { which, words })
        : phrase("{which} leaves {words} to be paid", { which, words }),
    ];
  });
}
