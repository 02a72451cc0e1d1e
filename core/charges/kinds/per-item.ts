import { Amount, type AmountReferences, amountFor, amountProblems } from "../../money/amount.ts";
import { times } from "../../money/linear-amount.ts";
import { whole } from "../../money/rational.ts";
import { closed } from "../../schema/atoms.ts";
import type { Problem } from "../../schema/problem.ts";
import { type Static, Type } from "../../schema/type.ts";
import { type ChargeContext, type CompiledCharge, plainCharge } from "../definition.ts";

/** A price for each piece the zone's charges are for. @example { kind: "per-item", amount: { byCurrency: { EUR: "1.20" } } } */
export const PerItemCharge = Type.Object(
  { kind: Type.Literal("per-item"), amount: Amount },
  { ...closed, title: "PerItemCharge" },
);
export type PerItemCharge = Static<typeof PerItemCharge>;

export function compilePerItem(charge: PerItemCharge, context: ChargeContext): CompiledCharge {
  const each = amountFor(charge.amount, context);
  if (each === undefined) return plainCharge("per-item", () => "no-amount");
  const measure = context.measureNumber({ kind: "items" }, "ordinary");
  return plainCharge(
    "per-item",
    ({ moving }) => times(moving(measure) ?? 0, whole(each)),
    ({ count }) => ({ counted: count(measure) }),
  );
}

export function perItemProblems(charge: PerItemCharge, path: string, references: AmountReferences): Problem[] {
  return amountProblems(charge.amount, `${path}/amount`, references);
}
