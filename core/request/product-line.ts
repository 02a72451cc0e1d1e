import type { CartLine } from "./request.ts";

/** A product on sale: prices, and a charge of its own, by currency in minor units. */
export type SoldProduct = Omit<CartLine, "quantity" | "unitPrice" | "discount" | "delivery"> & {
  readonly name?: string;
  readonly prices: Readonly<Record<string, number>>;
  readonly delivery?:
    | { readonly kind: "ships-free" | "nothing-to-ship" }
    | {
        readonly kind: "own-charge";
        readonly amounts: Readonly<Record<string, number>>;
        readonly per: "piece" | "line";
      };
};

/**
 * A line of a product as a shop would send it; null where it has no price in the currency.
 *
 * @param unitPrice where it is not sold at the product's own
 * @example productLine(ink, "EUR") // { sku: "ink", quantity: 1, unitPrice: 1250, … }
 */
export function productLine(
  product: SoldProduct,
  currency: string,
  quantity = 1,
  unitPrice = product.prices[currency],
): CartLine | null {
  const { name: _, prices: __, delivery, ...traits } = product;
  return unitPrice === undefined ? null : { ...traits, quantity, unitPrice, ...deliveryIn(delivery, currency) };
}

/** A product's own charge in the currency; without an amount there, it is charged like any other goods. */
function deliveryIn(delivery: SoldProduct["delivery"], currency: string): Pick<CartLine, "delivery"> {
  if (!delivery) return {};
  if (delivery.kind !== "own-charge") return { delivery: { kind: delivery.kind } };
  const amount = delivery.amounts[currency];
  return amount === undefined ? {} : { delivery: { kind: "own-charge", amount, per: delivery.per } };
}
