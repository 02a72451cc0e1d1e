import { Amount, amountFor, amountProblems } from "../../money/amount.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineDeliveryReward } from "../definition.ts";
import { nothingInAmount } from "../nothing.ts";
import { onDelivery } from "../on-delivery.ts";
import { less } from "../price-changes.ts";

/** Free up to so much; the shopper pays the rest. It takes its turn after everything else. */
export const allowance = defineDeliveryReward({
  kind: "allowance",
  schema: Type.Object(
    {
      kind: Type.Literal("allowance"),
      ...onDelivery,
      amount: { ...Amount, description: "Free up to this; the shopper pays the rest" },
    },
    closed,
  ),
  example: { kind: "allowance", options: ["express"], amount: { byCurrency: { EUR: "5.00" } } },
  turn: 4,
  compile: ({ amount }, context) => {
    const off = amountFor(amount, context);
    return off === undefined ? undefined : less(off);
  },
  problems: ({ amount }, path, references) => amountProblems(amount, `${path}/amount`, references),
  rules: ({ amount }) => nothingInAmount(amount),
  title: (_, { options }) => phrase("{options} free up to an allowance", { options }),
  words: ({ amount }, { options, amount: money }) =>
    phrase("{options} free up to {money}", { options, money: money(amount) }),
  figure: ({ amount }, { money }) => money(amount),
});
