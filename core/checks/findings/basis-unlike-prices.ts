import { amountOf } from "../../measures/measure-spec.ts";
import { amountFor } from "../../money/amount.ts";
import { percent } from "../../money/decimal.ts";
import { add, divide, multiply, ONE, roundHalfAway, whole } from "../../money/rational.ts";
import { goalOf } from "../../offers/trigger.ts";
import { type Check, onOffer } from "../check.ts";

/** A goal counted with tax where prices are shown without it, or the other way round: it is met early or late (F4). */
export const basisUnlikePrices: Check = {
  code: "basis-unlike-prices",
  severity: "risky",
  *find(context) {
    for (const offer of context.plan.offers) {
      if (!offer.on || offer.counts.kind !== "value") continue;
      const { basis } = offer.counts;
      for (const where of context.contextsOf(offer.zones)) {
        const { market, zone, currency } = where;
        const rate = percent(zone.standardTaxRate);
        if ((basis.tax === "with") === market.pricesIncludeTax || !rate || rate.n === 0n) continue;
        const goal = offer.steps.map((step) => goalOf(step.trigger)).find((one) => one !== null);
        const amount = goal && amountOf(goal.at);
        const at = amount && amountFor(amount, context.amountContext(where));
        if (!at) continue;
        const factor = add(ONE, rate);
        const met = Number(
          roundHalfAway(basis.tax === "with" ? divide(whole(at), factor) : multiply(whole(at), factor)),
        );
        yield {
          sentence: `“${offer.name}” counts ${basis.tax} tax, but prices in ${market.name} are shown ${market.pricesIncludeTax ? "with" : "without"} it: ${context.money(at, currency)} is met by goods of ${context.money(met, currency)}.`,
          at: onOffer(offer, "/counts/basis/tax"),
          witness: context.request(where, met),
          fix: {
            words: `Count ${market.pricesIncludeTax ? "with" : "without"} tax`,
            changes: [
              {
                kind: "offer",
                id: offer.id,
                body: {
                  ...offer,
                  counts: { kind: "value", basis: { ...basis, tax: market.pricesIncludeTax ? "with" : "without" } },
                },
              },
            ],
          },
        };
        break;
      }
    }
  },
};
