import { amountFor } from "../../money/amount.ts";
import { percent } from "../../money/decimal.ts";
import { add, divide, isZero, multiply, ONE, type Rational, roundHalfAway, whole } from "../../money/rational.ts";
import type { Offer } from "../../offers/offer.ts";
import { type Phrase, phrase } from "../../phrases/phrase.ts";
import { type Check, onOffer } from "../check.ts";
import { spendGoalsIn } from "../goals.ts";

/** A goal counted with tax where prices are shown without it, or the other way round: it is met early or late (F4). */
export const basisUnlikePrices: Check = {
  code: "basis-unlike-prices",
  severity: "risky",
  *find(context) {
    const said = new Set<string>();
    for (const { offer, amount } of spendGoalsIn(context.plan)) {
      if (!offer.on || offer.counts.kind !== "value" || said.has(offer.id)) continue;
      const { tax } = offer.counts.basis;
      for (const where of context.contextsOf(offer.zones)) {
        const { market, zone, currency } = where;
        const rate = percent(zone.standardTaxRate);
        const at = amountFor(amount, context.amountContext(where));
        if ((tax === "with") === market.pricesIncludeTax || !rate || isZero(rate) || !at) continue;
        const met = shownAs(at, rate, tax);
        const shown = market.pricesIncludeTax ? "with" : "without";
        said.add(offer.id);
        yield {
          sentence: unlike(tax, {
            name: offer.name,
            market: market.name,
            goal: context.money(at, currency),
            worth: context.money(met, currency),
          }),
          at: onOffer(offer, "/counts/basis/tax"),
          witness: context.request(where, met),
          fix: {
            words: shown === "with" ? phrase("Count with tax") : phrase("Count without tax"),
            changes: [{ kind: "offer", id: offer.id, body: counting(offer, shown) }],
          },
        };
        break;
      }
    }
  },
};

/** What a count with tax (or without) comes to in prices shown the other way. */
function shownAs(count: number, rate: Rational, tax: "with" | "without"): number {
  const factor = add(ONE, rate);
  return roundHalfAway(tax === "with" ? divide(whole(count), factor) : multiply(whole(count), factor));
}

const counting = (offer: Offer, tax: "with" | "without"): Offer =>
  offer.counts.kind === "value"
    ? { ...offer, counts: { kind: "value", basis: { ...offer.counts.basis, tax } } }
    : offer;

const unlike = (tax: "with" | "without", values: Phrase["values"]): Phrase =>
  tax === "with"
    ? phrase(
        "“{name}” counts with tax, but prices in {market} are shown without it: {goal} is met by goods of {worth}.",
        values,
      )
    : phrase(
        "“{name}” counts without tax, but prices in {market} are shown with it: {goal} is met by goods of {worth}.",
        values,
      );
