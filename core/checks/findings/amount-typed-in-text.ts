import { amountOf } from "../../measures/measure-spec.ts";
import type { Amount } from "../../money/amount.ts";
import { amountFor } from "../../money/amount.ts";
import { exponentOf } from "../../money/currency.ts";
import { minorUnits } from "../../money/decimal.ts";
import type { Offer } from "../../offers/offer.ts";
import { goalOf } from "../../offers/trigger.ts";
import { isOnOrder } from "../../rewards/reward.ts";
import { translationUnits } from "../../translation/translation-units.ts";
import { type Check, type CheckContext, onOffer } from "../check.ts";

const SIGNS: Readonly<Record<string, string>> = { "€": "EUR", "£": "GBP", $: "USD", "¥": "JPY" };
const FIGURE = /([€£$¥])\s?(\d+(?:[.,]\d{1,3})?)|(\d+(?:[.,]\d{1,3})?)\s?([€£$¥])/g;

/** An amount typed into a text by hand that matches no goal or reward of its offer any more. */
export const amountTypedInText: Check = {
  code: "amount-typed-in-text",
  severity: "wrong",
  *find(context) {
    for (const unit of translationUnits(context.plan)) {
      const offer = context.plan.offers.find(({ id }) => id === unit.offer);
      if (!offer?.on) continue;
      const known = figuresOf(context, offer);
      for (const text of Object.values(unit.texts)) {
        for (const [shown, before, first, second, after] of text.matchAll(FIGURE)) {
          const currency = SIGNS[before ?? after ?? ""] ?? "";
          const read = minorUnits((first ?? second ?? "").replace(",", "."), exponentOf(currency) ?? 2);
          if (!("minor" in read) || known.has(`${currency} ${read.minor}`)) continue;
          yield {
            sentence: `A text of “${offer.name}” says ${shown.trim()}, which is none of its amounts: “${text}”.`,
            at: onOffer(offer, `/steps/${offer.steps.findIndex(({ id }) => id === unit.step)}/wording/${unit.state}`),
            witness: null,
          };
        }
      }
    }
  },
};

/** Every amount an offer has, in every currency of its zones. */
function figuresOf(context: CheckContext, offer: Offer): Set<string> {
  const amounts = offer.steps.flatMap(({ trigger, reward }): Amount[] => {
    const goal = goalOf(trigger);
    const mark = goal && amountOf(goal.at);
    return [
      ...(mark ? [mark] : []),
      ...("amount" in reward ? [reward.amount] : []),
      ...(!isOnOrder(reward) && reward.limit ? [reward.limit] : []),
    ];
  });
  return new Set(
    context.contextsOf(offer.zones).flatMap((where) =>
      amounts.flatMap((amount) => {
        const minor = amountFor(amount, context.amountContext(where));
        return minor === undefined ? [] : [`${where.currency} ${minor}`];
      }),
    ),
  );
}
