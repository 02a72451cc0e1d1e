import type { Charge } from "../../../core/charges/charge.ts";
import type { Amount } from "../../../core/money/amount.ts";

/** The amount that a charge begins with, or none yet. @example amountIn({ kind: "flat", amount }) // amount */
export function amountIn(charge: Charge): Amount {
  if (charge.kind === "flat" || charge.kind === "per-item") return charge.amount;
  if (charge.kind === "bands" && typeof charge.first === "object" && !("fixed" in charge.first)) return charge.first;
  return { byCurrency: {} };
}
