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
        for (const lacking of context.compiled.tariffOf(zone.id, currency)?.withoutAmount ?? []) {
          const key = `${lacking.step} ${currency} ${market.id}`;
          if (lacking.offer !== offer.id || said.has(key)) continue;
          said.add(key);
          const number = offer.steps.findIndex(({ id }) => id === lacking.step);
          yield {
            step: number,
            sentence: ({ words, several }) =>
              `${words} of “${offer.name}” ${several ? "have" : "has"} no amount in ${currency}: in ${market.name} ${several ? "they are" : "it is"} not there.`,
            at: onOffer(offer, `/steps/${number}`),
            witness: null,
          };
        }
      }
    }
  },
};
