import { isShipped, type ReadLine } from "../cart/read-cart.ts";
import { Amount, type AmountContext, type AmountReferences, amountFor, amountProblems } from "../money/amount.ts";
import { exactOf, rounded } from "../money/linear-amount.ts";
import { add, ceil, divide, roundHalfAway, timesWhole, whole, ZERO } from "../money/rational.ts";
import { milligrams, Weight } from "../quantities/quantity.ts";
import { byKindOf, closed } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";

/** What a delivery costs the store; shoppers are told nothing of it. */
export const StoreCost = byKindOf(
  "per",
  [
    Type.Object({ per: Type.Literal("delivery"), amount: Amount }, closed),
    Type.Object(
      {
        per: Type.Literal("parcel"),
        amount: Amount,
        holds: Type.Optional({ ...Weight, description: "What one parcel holds at most; any weight unless given" }),
      },
      closed,
    ),
    Type.Object(
      {
        per: Type.Literal("trip"),
        amount: Amount,
        deliveries: Type.Integer({ minimum: 1, maximum: 1000, description: "Deliveries that share a trip" }),
      },
      closed,
    ),
  ],
  "StoreCost",
);
export type StoreCost = Static<typeof StoreCost>;

/**
 * What delivering such goods costs the store, in minor units; null where an amount or a weight is not known.
 *
 * @example storeCost({ per: "trip", amount: { byCurrency: { EUR: "26" } }, deliveries: 4 }, lines, context) // 650
 */
export function storeCost(cost: StoreCost, lines: readonly ReadLine[], context: AmountContext): number | null {
  const amount = amountFor(cost.amount, context);
  if (amount === undefined) return null;
  switch (cost.per) {
    case "delivery":
      return amount;
    case "trip":
      return roundHalfAway(divide(whole(amount), whole(cost.deliveries)));
    case "parcel": {
      const holds = cost.holds ? rounded(milligrams(cost.holds)) : 0;
      if (holds === 0) return amount;
      let weight = ZERO;
      for (const line of lines.filter(isShipped)) {
        if (line.weight === null) return null;
        weight = add(weight, timesWhole(exactOf(line.weight), line.quantity));
      }
      const parcels = ceil(divide(weight, whole(holds)));
      return amount * Math.max(1, parcels);
    }
  }
}

export const storeCostProblems = (
  cost: StoreCost | undefined,
  path: string,
  references: AmountReferences,
): Problem[] => (cost ? amountProblems(cost.amount, `${path}/amount`, references) : []);
