import { exponentOf } from "../../core/money/currency.ts";
import { majorUnits, minorUnits } from "../../core/money/decimal.ts";
import { differences } from "../../core/plan/differences.ts";
import type { CatalogueProduct } from "./catalogue.ts";
import type { Product } from "./product.ts";

/** What differs between two versions of a product, by the name of its part. */
export type ProductDifference = { readonly part: string; readonly before: string; readonly after: string };

/**
 * Where two versions of a product differ in what they mean: 9.8 and 9.80 are one price, and the order of tags is none.
 *
 * @example productDifferences(was, { ...was, name: "Ink" }) // [{ part: "name", before: "Iron-gall ink", after: "Ink" }]
 */
export const productDifferences = (before: CatalogueProduct, after: Product): ProductDifference[] =>
  differences(comparable(before), comparable(after)).map((found) => ({
    part: found.path.split("/").slice(1).join(" "),
    before: words(found.before),
    after: words(found.after),
  }));

/** Every part in one form, and none that says nothing. */
function comparable(product: CatalogueProduct | Product): object {
  const { categories = [], tags = [], used = false, prices, delivery, ...rest } = product;
  return {
    ...rest,
    used,
    categories: [...categories].sort().join(", "),
    tags: [...tags].sort().join(", "),
    prices: comparableAmounts(prices),
    ...(delivery
      ? {
          delivery: { ...delivery, ...("amounts" in delivery ? { amounts: comparableAmounts(delivery.amounts) } : {}) },
        }
      : {}),
  };
}

/** @param amounts in minor units, or as files write them */
const comparableAmounts = (amounts: Readonly<Record<string, string | number>>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(amounts).map(([currency, amount]) => {
      const exponent = exponentOf(currency) ?? 2;
      const read = typeof amount === "number" ? { minor: amount } : minorUnits(amount, exponent);
      return [currency, "minor" in read ? majorUnits(read.minor, exponent) : String(amount)];
    }),
  );

function words(value: unknown): string {
  if (value === undefined || value === "") return "nothing";
  return typeof value === "string" ? value : JSON.stringify(value).replaceAll(/["{}]/g, "").replaceAll(",", ", ");
}
