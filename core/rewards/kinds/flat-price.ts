import { Amount, amountFor, amountProblems } from "../../money/amount.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineDeliveryReward } from "../definition.ts";
import { onDelivery } from "../on-delivery.ts";
import { downTo } from "../price-changes.ts";

/** So much and no more is charged. */
export const flatPrice = defineDeliveryReward({
  kind: "flat-price",
  schema: Type.Object({ kind: Type.Literal("flat-price"), ...onDelivery, amount: Amount }, closed),
  example: { kind: "flat-price", options: ["express"], amount: { byCurrency: { EUR: "4.90" } } },
  turn: 1,
  compile: ({ amount }, context) => {
    const price = amountFor(amount, context);
    return price === undefined ? undefined : downTo(price);
  },
  problems: ({ amount }, path, references) => amountProblems(amount, `${path}/amount`, references),
  rules: () => [],
  title: (_, { options }) => phrase("{options} at a flat price", { options }),
  words: ({ amount }, { options, amount: money }) => phrase("{options} for {money}", { options, money: money(amount) }),
  figure: ({ amount }, { money }) => money(amount),
});
