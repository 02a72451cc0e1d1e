import { phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";

/** A step without an amount in a currency of its zones: it is not there for shoppers who pay in it. */
export const stepWithoutAmount: Check = {
  code: "step-without-amount",
  severity: "wrong",
  *find(context) {
    for (const offer of context.plan.offers) {
      if (!offer.on) continue;
      const said = new Set<string>();
      for (const { zone, market, currency } of context.contextsOf(offer.zones)) {
        for (const lacking of context.there(zone.id, currency).withoutAmount) {
          const key = `${lacking.step} ${currency} ${market.id}`;
          if (lacking.offer !== offer.id || said.has(key)) continue;
          said.add(key);
          const number = offer.steps.findIndex(({ id }) => id === lacking.step);
          yield {
            step: number,
            sentence: ({ words, count }) =>
              phrase(
                "{words} of “{name}” {count, plural, one {has} other {have}} no amount in {currency}: in {market} {count, plural, one {it is} other {they are}} not there.",
                {
                  words,
                  name: offer.name,
                  count,
                  currency,
                  market: market.name,
                },
              ),
            at: onOffer(offer, `/steps/${number}`),
            witness: null,
          };
        }
      }
    }
  },
};
