import { Amount, amountFor, amountProblems } from "../../money/amount.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineDeliveryReward } from "../definition.ts";
import { nothingInAmount } from "../nothing.ts";
import { onDelivery } from "../on-delivery.ts";
import { less } from "../price-changes.ts";

/** So much less. */
export const moneyOff = defineDeliveryReward({
  kind: "money-off",
  schema: Type.Object({ kind: Type.Literal("money-off"), ...onDelivery, amount: Amount }, closed),
  example: { kind: "money-off", options: ["express"], amount: { byCurrency: { EUR: "3.00" } } },
  turn: 3,
  compile: ({ amount }, context) => {
    const off = amountFor(amount, context);
    return off === undefined ? undefined : less(off);
  },
  problems: ({ amount }, path, references) => amountProblems(amount, `${path}/amount`, references),
  rules: ({ amount }) => nothingInAmount(amount),
  title: (_, { options }) => phrase("Money off {options}", { options }),
  words: ({ amount }, { options, amount: money }) => phrase("{money} off {options}", { money: money(amount), options }),
  figure: ({ amount }, { money }) => money(amount),
});
