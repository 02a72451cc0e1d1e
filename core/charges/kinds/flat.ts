import { Amount, type AmountReferences, amountFor, amountProblems } from "../../money/amount.ts";
import { closed } from "../../schema/atoms.ts";
import type { Problem } from "../../schema/problem.ts";
import { type Static, Type } from "../../schema/type.ts";
import { type ChargeContext, type CompiledCharge, plainCharge } from "../definition.ts";

/** The same price for every cart. @example { kind: "flat", amount: { byCurrency: { EUR: "4.90" } } } */
export const FlatCharge = Type.Object(
  { kind: Type.Literal("flat"), amount: Amount },
  { ...closed, title: "FlatCharge" },
);
export type FlatCharge = Static<typeof FlatCharge>;

export function compileFlat(charge: FlatCharge, context: ChargeContext): CompiledCharge {
  const price = amountFor(charge.amount, context) ?? "no-amount";
  return plainCharge("flat", () => price);
}

export function flatProblems(charge: FlatCharge, path: string, references: AmountReferences): Problem[] {
  return amountProblems(charge.amount, `${path}/amount`, references);
}
