import type { CheckedProduct } from "../../core/checks/check.ts";
import { exponentOf } from "../../core/money/currency.ts";
import { minorUnits } from "../../core/money/decimal.ts";
import { rounded } from "../../core/money/linear-amount.ts";
import { milligrams } from "../../core/quantities/quantity.ts";
import type { CatalogueProduct } from "./catalogue.ts";
import type { Product } from "./product.ts";

/** A product as checks look at it, from the catalogue in the database. */
export function checkedProduct({
  sku,
  name,
  prices,
  categories,
  tags,
  parcelClass,
  weight,
  delivery,
}: CatalogueProduct): CheckedProduct {
  return {
    sku,
    name,
    prices,
    categories,
    tags,
    ...(parcelClass === undefined ? {} : { parcelClass }),
    weight: weight ? rounded(milligrams(weight)) : null,
    shipped: delivery?.kind !== "nothing-to-ship",
  };
}

/** The same from a catalogue file. */
export function checkedFromFile({ prices, delivery, categories = [], tags = [], ...rest }: Product): CheckedProduct {
  const minor = Object.entries(prices).flatMap(([currency, text]): [string, number][] => {
    const exponent = exponentOf(currency);
    const read = exponent === undefined ? null : minorUnits(text, exponent);
    return read && "minor" in read ? [[currency, read.minor]] : [];
  });
  const own =
    delivery?.kind === "own-charge"
      ? { kind: delivery.kind, amounts: {}, per: delivery.per }
      : delivery && { kind: delivery.kind };
  return checkedProduct({
    ...rest,
    prices: Object.fromEntries(minor),
    categories,
    tags,
    ...(own ? { delivery: own } : {}),
  });
}
