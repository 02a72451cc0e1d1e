import { Amount, amountFor, amountProblems } from "../../money/amount.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineOrderReward } from "../definition.ts";
import { nothingInAmount } from "../nothing.ts";

/** So much off the goods. */
export const orderMoneyOff = defineOrderReward({
  kind: "order-money-off",
  schema: Type.Object({ kind: Type.Literal("order-money-off"), amount: Amount }, closed),
  example: { kind: "order-money-off", amount: { byCurrency: { EUR: "5.00" } } },
  compile: ({ amount }, context) => {
    const off = amountFor(amount, context);
    return off === undefined ? undefined : { kind: "money", amount: off };
  },
  problems: ({ amount }, path, references) => amountProblems(amount, `${path}/amount`, references),
  rules: ({ amount }) => nothingInAmount(amount),
  title: () => phrase("Money off the order"),
  words: ({ amount }, { amount: money }) => phrase("{money} off the order", { money: money(amount) }),
  figure: ({ amount }, { money }) => money(amount),
});
