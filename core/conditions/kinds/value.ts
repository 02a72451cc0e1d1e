import { cartValue } from "../../facts/cart/value.ts";
import { Basis, basisWords } from "../../measures/basis.ts";
import { Amount, amountFor, amountProblems } from "../../money/amount.ts";
import { writtenMoney } from "../../money/format.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { COMPARISON_WORDS, Comparison, rangeOf } from "../compare.ts";
import { countedLeaf } from "../counted.ts";
import { defineCondition, leaf } from "../definition.ts";

/** The cart's value on a basis. Without an amount for the currency nobody can say: unknown. */
export const value = defineCondition({
  kind: "value",
  family: "cart",
  schema: Type.Object({ kind: Type.Literal("value"), basis: Basis, is: Comparison, amount: Amount }, closed),
  example: {
    kind: "value",
    basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" },
    is: "at-least",
    amount: { byCurrency: { EUR: "20.00" } },
  },
  found: "money",
  compile: ({ basis, is, amount }, context) => {
    const measure = context.measureNumber({ kind: "value", basis }, "all");
    const to = amountFor(amount, context);
    return to === undefined
      ? leaf(
          () => null,
          (situation) => situation.count(measure),
        )
      : countedLeaf(measure, is, to);
  },
  constrains: ({ basis, is, amount }, context) => {
    const to = amountFor(amount, context);
    return to === undefined ? undefined : { fact: cartValue, within: { kind: "value", basis, range: rangeOf(is, to) } };
  },
  words: ({ basis, is, amount }, context) => {
    const to = amountFor(amount, context);
    const money =
      to === undefined
        ? phrase("no amount in {currency}", { currency: context.currency })
        : writtenMoney(to, context.currency, "short");
    return phrase("{goods} come to {is} {money}", {
      goods: basisWords(basis),
      is: COMPARISON_WORDS[is],
      money,
    });
  },
  problems: ({ amount }, path, references) => amountProblems(amount, `${path}/amount`, references),
});
