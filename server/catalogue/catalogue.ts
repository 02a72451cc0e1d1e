import type { Pool, PoolConnection, RowDataPacket } from "mysql2/promise";
import { exponentOf } from "../../core/money/currency.ts";
import { minorUnits } from "../../core/money/decimal.ts";
import type { Product, SampleCart } from "./product.ts";

/** A product as screens and quotes use it: prices in minor units. */
export type CatalogueProduct = {
  sku: string;
  name: string;
  prices: Record<string, number>;
  categories: string[];
  taxRate?: string;
};

export async function writeProducts(connection: PoolConnection, products: readonly Product[]): Promise<void> {
  for (const [position, { sku, name, prices, categories, taxRate }] of products.entries()) {
    await connection.execute("INSERT INTO products (sku, name, tax_rate, position) VALUES (?, ?, ?, ?)", [
      sku,
      name,
      taxRate ?? null,
      position,
    ]);
    for (const [currency, text] of Object.entries(prices)) {
      const exponent = exponentOf(currency);
      const read = exponent === undefined ? { problem: "no such currency" } : minorUnits(text, exponent);
      if (!("minor" in read)) throw new Error(`product ${sku}: price ${text} ${currency}: ${read.problem}`);
      await connection.execute("INSERT INTO product_prices (sku, currency, minor) VALUES (?, ?, ?)", [
        sku,
        currency,
        read.minor,
      ]);
    }
    for (const category of categories ?? []) {
      await connection.execute("INSERT INTO product_categories (sku, category) VALUES (?, ?)", [sku, category]);
    }
  }
}

export async function writeSampleCarts(connection: PoolConnection, carts: readonly SampleCart[]): Promise<void> {
  for (const [position, cart] of carts.entries()) {
    await connection.execute("INSERT INTO sample_carts (id, position, name) VALUES (?, ?, ?)", [
      cart.id,
      position,
      cart.name,
    ]);
    for (const [line, { sku, quantity }] of cart.lines.entries()) {
      await connection.execute("INSERT INTO sample_cart_lines (cart, position, sku, quantity) VALUES (?, ?, ?, ?)", [
        cart.id,
        line,
        sku,
        quantity,
      ]);
    }
  }
}

interface ProductRow extends RowDataPacket {
  sku: string;
  name: string;
  tax_rate: string | null;
}
interface PriceRow extends RowDataPacket {
  sku: string;
  currency: string;
  minor: number;
}
interface CategoryRow extends RowDataPacket {
  sku: string;
  category: string;
}

/** Products whose name or SKU contains `search`, in the catalogue's order. */
export async function findProducts(pool: Pool, search: string, limit: number): Promise<CatalogueProduct[]> {
  const like = `%${search.replaceAll(/[\\%_]/g, (character) => `\\${character}`)}%`;
  const [products] = await pool.query<ProductRow[]>(
    "SELECT sku, name, tax_rate FROM products WHERE name LIKE ? OR sku LIKE ? ORDER BY position, sku LIMIT ?",
    [like, like, limit],
  );
  if (products.length === 0) return [];
  const skus = products.map(({ sku }) => sku);
  const [prices] = await pool.query<PriceRow[]>("SELECT sku, currency, minor FROM product_prices WHERE sku IN (?)", [
    skus,
  ]);
  const [categories] = await pool.query<CategoryRow[]>(
    "SELECT sku, category FROM product_categories WHERE sku IN (?) ORDER BY category",
    [skus],
  );
  return products.map(({ sku, name, tax_rate: taxRate }) => ({
    sku,
    name,
    prices: Object.fromEntries(prices.filter((row) => row.sku === sku).map(({ currency, minor }) => [currency, minor])),
    categories: categories.filter((row) => row.sku === sku).map(({ category }) => category),
    ...(taxRate === null ? {} : { taxRate }),
  }));
}

interface CartRow extends RowDataPacket {
  id: string;
  name: string;
  sku: string | null;
  quantity: number | null;
}

export async function listSampleCarts(pool: Pool): Promise<SampleCart[]> {
  const [rows] = await pool.query<CartRow[]>(
    `SELECT c.id, c.name, l.sku, l.quantity FROM sample_carts c LEFT JOIN sample_cart_lines l ON l.cart = c.id
     ORDER BY c.position, c.id, l.position`,
  );
  const carts = new Map<string, SampleCart>();
  for (const { id, name, sku, quantity } of rows) {
    const cart = carts.get(id) ?? { id, name, lines: [] };
    if (sku !== null && quantity !== null) cart.lines.push({ sku, quantity });
    carts.set(id, cart);
  }
  return [...carts.values()];
}
