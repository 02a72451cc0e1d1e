import { majorIn } from "../../../core/money/decimal.ts";
import type { CatalogueProduct } from "../../../server/catalogue/catalogue.ts";
import type { Product } from "../../../server/catalogue/product.ts";

/** A product as catalogue files write it: amounts in major units. */
export function asWritten({ delivery, prices, ...rest }: CatalogueProduct): Product {
  const product: Product = { ...rest, prices: inMajorUnits(prices) };
  if (!delivery) return product;
  return {
    ...product,
    delivery:
      delivery.kind === "own-charge"
        ? { kind: delivery.kind, amounts: inMajorUnits(delivery.amounts), per: delivery.per }
        : { kind: delivery.kind },
  };
}

const inMajorUnits = (amounts: Readonly<Record<string, number>>): Record<string, string> =>
  Object.fromEntries(Object.entries(amounts).map(([currency, minor]) => [currency, majorIn(minor, currency)]));
