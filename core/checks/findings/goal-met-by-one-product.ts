import type { ZoneContext } from "../../analysis/world.ts";
import { goodsFilter } from "../../measures/goods-filter.ts";
import { amountFor } from "../../money/amount.ts";
import type { Offer } from "../../offers/offer.ts";
import { type Phrase, phrase } from "../../phrases/phrase.ts";
import { type Check, type CheckContext, onOffer } from "../check.ts";
import { spendGoalsIn } from "../goals.ts";

/** A goal that any single product meets, or any two of the cheapest do not need to: nobody has to add anything (F2). */
export const goalMetByOneProduct: Check = {
  code: "goal-met-by-one-product",
  severity: "risky",
  *find(context) {
    for (const { offer, amount, name, index } of spendGoalsIn(context.plan)) {
      if (!offer.on) continue;
      for (const where of context.contextsOf(offer.zones)) {
        const at = amountFor(amount, context.amountContext(where));
        const cheapest = cheapestIn(context, offer, where);
        if (at === undefined || cheapest === undefined || at >= 2 * cheapest) continue;
        yield {
          sentence: metBy(at <= cheapest, {
            name,
            goal: context.money(at, where.currency),
            price: context.money(cheapest, where.currency),
          }),
          at: onOffer(offer, `/steps/${index}/trigger/goal`),
          witness: context.request(where, cheapest),
        };
        break;
      }
    }
  },
};

/** Too few products tell nothing about a catalogue. */
const FEWEST = 3;

/** The price of the cheapest product that an offer counts. */
function cheapestIn({ around }: CheckContext, { counts }: Offer, { currency }: ZoneContext): number | undefined {
  if (counts.kind !== "value") return undefined;
  const { categories = [], tags = [], skus = [] } = counts.only ?? {};
  const isOnly = goodsFilter({ categories, tags, skus });
  const some = categories.length + tags.length + skus.length > 0;
  const prices = around.products
    .filter(goodsFilter(counts.basis.leavesOut))
    // What a filter of these leaves out is what counts.
    .filter((product) => !some || !isOnly(product))
    .flatMap(({ prices: of }) => of[currency] ?? [])
    .filter((price) => price > 0);
  return prices.length < FEWEST ? undefined : Math.min(...prices);
}

const metBy = (one: boolean, values: Phrase["values"]): Phrase =>
  one
    ? phrase("The goal of {name}, {goal}, is met by any single product ({price}).", values)
    : phrase("The goal of {name}, {goal}, is met by fewer than two of the cheapest product ({price}).", values);
