import { totalSpent as spentFact } from "../../facts/shopper/total-spent.ts";
import { Amount, amountFor, amountProblems } from "../../money/amount.ts";
import { writtenMoney } from "../../money/format.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import type { Situation } from "../../situation/situation.ts";
import { COMPARISON_WORDS, Comparison, compared, rangeOf } from "../compare.ts";
import { inRanges } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** What the shopper has spent on all orders so far; unknown unless the request says. */
export const totalSpent = defineCondition({
  kind: "total-spent",
  family: "shopper",
  schema: Type.Object({ kind: Type.Literal("total-spent"), is: Comparison, amount: Amount }, closed),
  example: { kind: "total-spent", is: "at-least", amount: { byCurrency: { EUR: "500.00" } } },
  found: "money",
  compile: ({ is, amount }, context) => {
    const to = amountFor(amount, context);
    return leaf(
      to === undefined
        ? () => null
        : compared(is, to, ({ facts }: Situation) => spentFact.read(facts.shopper, facts.at)),
      ({ facts }) => spentFact.read(facts.shopper, facts.at),
    );
  },
  constrains: ({ is, amount }, context) => {
    const to = amountFor(amount, context);
    return to === undefined ? undefined : inRanges(spentFact, rangeOf(is, to));
  },
  words: ({ is, amount }, context) => {
    const to = amountFor(amount, context);
    const money =
      to === undefined
        ? phrase("(no amount in {currency})", { currency: context.currency })
        : writtenMoney(to, context.currency, "short");
    return phrase("the shopper has spent {is} {money} so far", { is: COMPARISON_WORDS[is], money });
  },
  problems: ({ amount }, path, references) => amountProblems(amount, `${path}/amount`, references),
});
