import type { Pool } from "mysql2/promise";
import { productLine } from "../../core/request/product-line.ts";
import type { CartLine } from "../../core/request/request.ts";
import { allProducts } from "./catalogue.ts";

/** How long the catalogue is believed to be as it was read, in milliseconds. */
const FRESH = 5000;

type Sold = { readonly lines: readonly CartLine[]; readonly names: ReadonlyMap<string, string>; readonly at: number };

/** What is sold, by currency. */
const sold = new Map<string, Sold>();

/** A line of one piece of each product with a price in a currency, and what each is called. */
export async function soldIn(pool: Pool, currency: string): Promise<Sold> {
  const known = sold.get(currency);
  if (known && performance.now() - known.at < FRESH) return known;
  const lines: CartLine[] = [];
  const names = new Map<string, string>();
  for await (const some of allProducts(pool))
    for (const product of some) {
      const line = productLine(product, currency);
      if (!line || line.unitPrice === 0) continue;
      lines.push(line);
      names.set(product.sku, product.name);
    }
  const read = { lines, names, at: performance.now() };
  sold.set(currency, read);
  return read;
}
