import { Type } from "@sinclair/typebox";
import { Basis, basisWords } from "../../measures/basis.ts";
import { Amount, amountFor, amountProblems } from "../../money/amount.ts";
import { formatMoney } from "../../money/format.ts";
import { closed } from "../../plan/atoms.ts";
import { COMPARISON_WORDS, Comparison, compared, turningPoints } from "../compare.ts";
import { constant, defineCondition } from "../definition.ts";

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
  compile: ({ basis, is, amount }, context) => {
    const to = amountFor(amount, context);
    if (to === undefined) return constant(() => null);
    const measure = context.measureNumber({ kind: "value", basis });
    return {
      test: ({ counted }) => compared(is, counted[measure], to),
      thresholds: turningPoints(is, to).map((least) => ({ measure, least })),
      seesLines: false,
    };
  },
  words: ({ basis, is, amount }, context) => {
    const to = amountFor(amount, context);
    const money =
      to === undefined ? `no amount in ${context.currency}` : formatMoney(to, context.currency, "en", "short");
    return `${basisWords(basis)} come to ${COMPARISON_WORDS[is]} ${money}`;
  },
  problems: ({ amount }, path, references) => amountProblems(amount, `${path}/amount`, references),
});
