import type { Static } from "@sinclair/typebox";
import type { AmountContext, AmountReferences } from "../money/amount.ts";
import { byKind } from "../plan/atoms.ts";
import type { Problem } from "../plan/problem.ts";
import { BandedCharge, bandsProblems, compileBands } from "./bands.ts";
import type { ChargeContext, CompiledCharge } from "./charged.ts";
import { compileFlat, FlatCharge, flatProblems } from "./flat.ts";

/** How the price of a delivery option is computed. A new kind is a file of its own and a case in each switch here. */
export const Charge = byKind([FlatCharge, BandedCharge], "Charge");
export type Charge = Static<typeof Charge>;

export function compileCharge(charge: Charge, context: ChargeContext): CompiledCharge {
  switch (charge.kind) {
    case "flat":
      return compileFlat(charge, context);
    case "bands":
      return compileBands(charge, context);
  }
}

export function chargeProblems(
  charge: Charge,
  path: string,
  references: AmountReferences,
  contexts: readonly AmountContext[],
): Problem[] {
  switch (charge.kind) {
    case "flat":
      return flatProblems(charge, path, references);
    case "bands":
      return bandsProblems(charge, path, references, contexts);
  }
}
