import { type Static, Type } from "@sinclair/typebox";
import { Amount, type AmountReferences, amountFor, amountProblems } from "../money/amount.ts";
import { closed } from "../plan/atoms.ts";
import type { Problem } from "../plan/problem.ts";
import type { ChargeContext, CompiledCharge } from "./charged.ts";

/** A price for each piece in the cart. @example { kind: "per-item", amount: { byCurrency: { EUR: "1.20" } } } */
export const PerItemCharge = Type.Object(
  { kind: Type.Literal("per-item"), amount: Amount },
  { ...closed, title: "PerItemCharge" },
);
export type PerItemCharge = Static<typeof PerItemCharge>;

export function compilePerItem(charge: PerItemCharge, context: ChargeContext): CompiledCharge {
  const each = amountFor(charge.amount, context);
  if (each === undefined) return { price: () => "no-amount", thresholds: [], seesLines: false };
  const measure = context.measureNumber({ kind: "items" });
  return {
    price: ({ counted }) => each * (counted[measure] ?? 0),
    thresholds: [],
    // A line more is a piece more, whatever it is worth.
    seesLines: true,
  };
}

export function perItemProblems(charge: PerItemCharge, path: string, references: AmountReferences): Problem[] {
  return amountProblems(charge.amount, `${path}/amount`, references);
}
