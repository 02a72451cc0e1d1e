import { Amount, amountFor, amountProblems } from "../../money/amount.ts";
import { joined, phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { type Static, Type } from "../../schema/type.ts";
import { defineCharge, plainCharge } from "../definition.ts";

/** The same price for every cart. @example { kind: "flat", amount: { byCurrency: { EUR: "4.90" } } } */
const FlatCharge = Type.Object({ kind: Type.Literal("flat"), amount: Amount }, { ...closed, title: "FlatCharge" });
export type FlatCharge = Static<typeof FlatCharge>;

export const flat = defineCharge({
  kind: "flat",
  schema: FlatCharge,
  example: { kind: "flat", amount: { byCurrency: { EUR: "4.90" } } },
  compile: ({ amount }, context) => {
    const price = amountFor(amount, context) ?? "no-amount";
    return plainCharge("flat", () => price);
  },
  problems: ({ amount }, path, references) => amountProblems(amount, `${path}/amount`, references),
  words: ({ amount }, { money }) => joined([money(amount)]),
  why: () => phrase("flat"),
});
