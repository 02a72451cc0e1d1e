import type { CartLine } from "../../core/request/request.ts";
import type { CatalogueProduct } from "./catalogue.ts";

/** A line of pieces of a product as a shop would send it; null where it has no price in the currency. */
export function productLine(product: CatalogueProduct, currency: string, quantity = 1): CartLine | null {
  const { name: _, prices, delivery, ...traits } = product;
  const unitPrice = prices[currency];
  if (unitPrice === undefined) return null;
  const own = delivery?.kind === "own-charge" ? delivery.amounts[currency] : undefined;
  return {
    ...traits,
    ...{ quantity, unitPrice },
    ...(delivery && delivery.kind !== "own-charge" ? { delivery: { kind: delivery.kind } } : {}),
    ...(delivery?.kind === "own-charge" && own !== undefined
      ? { delivery: { kind: delivery.kind, amount: own, per: delivery.per } }
      : {}),
  };
}
