import type { SavedConditions } from "../conditions/condition.ts";
import { conditionWords } from "../conditions/words.ts";
import { measuredFigure } from "../measures/measure-spec.ts";
import { type Amount, type AmountContext, amountFor } from "../money/amount.ts";
import { bareMoney, writtenMoney } from "../money/format.ts";
import { joined, type Phrase, type PhraseValue, phrase } from "../phrases/phrase.ts";
import type { Charge } from "./charge.ts";
import type { ChargeSpeech } from "./definition.ts";
import type { AnyCharge } from "./reference.ts";
import { chargeKind } from "./registry.ts";

/**
 * A charge in words, in one market and currency.
 *
 * @example "€4 up to €30, €7 from €30, free from €75, by goods after all discounts, with tax"
 */
export function chargeWords(charge: Charge, context: AmountContext, saved: SavedConditions): Phrase {
  const { currency } = context;
  const words = (one: AnyCharge): Phrase => chargeKind(one).words(one, speech);
  const speech: ChargeSpeech = {
    ...context,
    money: (amount: Amount) => amountWords(amount, context),
    measured: (kind, count, style) => measuredFigure(kind, count, currency, style),
    when: (condition) => conditionWords(condition, context, saved),
    charge: words,
  };
  return words(charge);
}

const amountWords = (amount: Amount, context: AmountContext): PhraseValue => {
  const minor = amountFor(amount, context);
  if (minor === undefined) return phrase("no amount in {currency}", { currency: context.currency });
  return minor === 0 ? phrase("free") : writtenMoney(minor, context.currency);
};

/**
 * The prices of a charge by bands, one after the other, as bare figures; none of any other charge.
 *
 * @example bandPrices(charge, context) // "4", "7.50", "12+", "free", "none"
 */
export const bandPrices = (charge: Charge, context: AmountContext): PhraseValue[] =>
  charge.kind !== "bands"
    ? []
    : [charge.first, ...charge.edges.map(({ price }) => price)].map((price) => {
        if (typeof price === "string") return price === "free" ? phrase("free") : phrase("none");
        return "fixed" in price ? joined([bareFigure(price.fixed, context), "+"], "") : bareFigure(price, context);
      });

function bareFigure(amount: Amount, context: AmountContext): PhraseValue {
  const minor = amountFor(amount, context);
  if (minor === undefined) return phrase("no amount");
  return minor === 0 ? phrase("free") : bareMoney(minor, context.currency);
}
