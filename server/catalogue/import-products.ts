import type { Pool, PoolConnection, RowDataPacket } from "mysql2/promise";
import { asWritten, phrase } from "../../core/phrases/phrase.ts";
import { inFile, type Problem } from "../../core/schema/problem.ts";
import { inTransaction } from "../database/pool.ts";
import { checkCatalogue } from "../validation/documents.ts";
import { productsNamed, writeProducts } from "./catalogue.ts";
import { type ProductDifference, productDifferences } from "./compare-products.ts";
import type { Product } from "./product.ts";

interface BodyRow extends RowDataPacket {
  body: string;
}
interface LastRow extends RowDataPacket {
  last: number | null;
}

/** Keeps a part of a catalogue file aside until the whole of it is there. Sent twice, it is kept once. */
export async function stageProducts(
  pool: Pool,
  importId: string,
  part: number,
  products: readonly Product[],
): Promise<void> {
  await pool.execute(
    "REPLACE INTO product_imports (import, position, body, begun_at) VALUES (?, ?, ?, UTC_TIMESTAMP(3))",
    [importId, part, JSON.stringify(products)],
  );
}

/** Forgets what was kept aside more than a day ago and never finished. */
export async function dropAbandonedImports(pool: Pool): Promise<void> {
  await pool.execute("DELETE FROM product_imports WHERE begun_at < UTC_TIMESTAMP(3) - INTERVAL 1 DAY");
}

export async function dropImport(pool: Pool, importId: string): Promise<void> {
  await pool.execute("DELETE FROM product_imports WHERE import = ?", [importId]);
}

/** What was kept aside of an import, in the file's order, or what is wrong with it as a whole. */
async function stagedProducts(
  connection: Pool | PoolConnection,
  importId: string,
  lock = "",
): Promise<{ products: Product[] } | { problems: Problem[] }> {
  const [rows] = await connection.query<BodyRow[]>(
    `SELECT body FROM product_imports WHERE import = ? ORDER BY position ${lock}`,
    [importId],
  );
  const checked = checkCatalogue(rows.flatMap(({ body }): unknown[] => JSON.parse(body)));
  if ("problems" in checked) return checked;
  const seen = new Set<string>();
  const twice = checked.value.filter(({ sku }) => seen.has(sku) || !seen.add(sku));
  // Each by itself was looked at when its row was read.
  return twice.length > 0
    ? { problems: twice.slice(0, 50).map(({ sku }) => inFile(asWritten(`SKU ${sku}`), phrase("is there twice"))) }
    : { products: checked.value };
}

/** What an import would do: products it adds, changes and leaves as they are, with the first that change. */
export type ImportPreview = {
  readonly added: number;
  readonly changed: number;
  readonly same: number;
  readonly examples: readonly {
    readonly sku: string;
    readonly name: string;
    /** None for a product that is new. */
    readonly differences: readonly ProductDifference[];
  }[];
};

const MOST_EXAMPLES = 20;

/** What would be different once an import is finished. Nothing is written. */
export async function previewImport(pool: Pool, importId: string): Promise<ImportPreview | { problems: Problem[] }> {
  const staged = await stagedProducts(pool, importId);
  if ("problems" in staged) return staged;
  const { products } = staged;
  const counts = { added: 0, changed: 0, same: 0 };
  const examples: ImportPreview["examples"][number][] = [];
  for (let start = 0; start < products.length; start += BATCH) {
    const batch = products.slice(start, start + BATCH);
    const known = await productsNamed(
      pool,
      batch.map(({ sku }) => sku),
    );
    const before = new Map(known.map((product) => [product.sku, product]));
    for (const product of batch) {
      const was = before.get(product.sku);
      const found = was ? productDifferences(was, product) : [];
      counts[was ? (found.length > 0 ? "changed" : "same") : "added"] += 1;
      if ((!was || found.length > 0) && examples.length < MOST_EXAMPLES)
        examples.push({ sku: product.sku, name: product.name, differences: found });
    }
  }
  return { ...counts, examples };
}

/** Puts everything that was kept aside into the catalogue at once: products of the same SKU are replaced, others stay. */
export async function finishImport(pool: Pool, importId: string): Promise<{ taken: number } | { problems: Problem[] }> {
  return inTransaction(pool, async (connection) => {
    const staged = await stagedProducts(connection, importId, "FOR UPDATE");
    if ("problems" in staged) return staged;
    await saveProducts(connection, staged.products);
    await connection.execute("DELETE FROM product_imports WHERE import = ?", [importId]);
    return { taken: staged.products.length };
  });
}

const BATCH = 1000;

/** Replaces products by SKU and adds those that are new behind all others. Sample carts go on naming what they name. */
export async function saveProducts(connection: PoolConnection, products: readonly Product[]): Promise<void> {
  const [[row]] = await connection.query<LastRow[]>("SELECT MAX(position) AS last FROM products");
  let behind = (row?.last ?? -1) + 1;
  for (let start = 0; start < products.length; start += BATCH) {
    const batch = products.slice(start, start + BATCH);
    const skus = batch.map(({ sku }) => sku);
    for (const table of ["product_prices", "product_own_charges", "product_categories", "product_tags"])
      await connection.query(`DELETE FROM ${table} WHERE sku IN (?)`, [skus]);
    await writeProducts(connection, batch, behind);
    behind += batch.length;
  }
}
