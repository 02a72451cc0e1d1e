import type { SavedConditions } from "../conditions/condition.ts";
import { conditionWords } from "../conditions/words.ts";
import { measured } from "../measures/measure-spec.ts";
import { type Amount, type AmountContext, amountFor } from "../money/amount.ts";
import { exponentOf } from "../money/currency.ts";
import { majorUnits } from "../money/decimal.ts";
import { makersMoney } from "../money/format.ts";
import type { Charge } from "./charge.ts";
import type { ChargeSpeech } from "./definition.ts";
import type { AnyCharge } from "./reference.ts";
import { chargeKind } from "./registry.ts";

/**
 * A charge as a phrase, in English for the people who make the plan, in one market and currency.
 *
 * @example "€4 up to €30, €7 from €30, free from €75, by goods after all discounts, with tax"
 */
export function chargeWords(charge: Charge, context: AmountContext, saved: SavedConditions): string {
  const { currency } = context;
  const words = (one: AnyCharge): string => chargeKind(one).words(one, speech);
  const speech: ChargeSpeech = {
    ...context,
    money: (amount: Amount) => amountWords(amount, context),
    measured: (kind, count, style) => measured(kind, count, currency, "en", style),
    when: (condition) => conditionWords(condition, context, saved),
    charge: words,
  };
  return words(charge);
}

const amountWords = (amount: Amount, context: AmountContext): string => {
  const minor = amountFor(amount, context);
  if (minor === undefined) return `no amount in ${context.currency}`;
  return minor === 0 ? "free" : makersMoney(minor, context.currency);
};

/**
 * The prices of a charge by bands, one after the other, as bare figures; none of any other charge.
 *
 * @example bandPrices(charge, context) // ["4", "7.50", "12+", "free", "none"]
 */
export const bandPrices = (charge: Charge, context: AmountContext): string[] =>
  charge.kind !== "bands"
    ? []
    : [charge.first, ...charge.edges.map(({ price }) => price)].map((price) => {
        if (typeof price === "string") return price === "free" ? price : "none";
        return "fixed" in price ? `${bareFigure(price.fixed, context)}+` : bareFigure(price, context);
      });

function bareFigure(amount: Amount, context: AmountContext): string {
  const minor = amountFor(amount, context);
  if (minor === undefined) return "no amount";
  const figure = majorUnits(minor, exponentOf(context.currency) ?? 2);
  return minor === 0 ? "free" : figure.replace(/\.0+$/, "");
}
