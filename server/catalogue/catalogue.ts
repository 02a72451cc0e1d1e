import type { Pool, PoolConnection, RowDataPacket } from "mysql2/promise";
import { exponentOf } from "../../core/money/currency.ts";
import { minorUnits } from "../../core/money/decimal.ts";
import type { Size, Weight } from "../../core/quantities/quantity.ts";
import { inTransaction } from "../database/pool.ts";
import { checkSampleCarts } from "../validation/documents.ts";
import type { Product, SampleCart } from "./product.ts";

/** A product as screens and quotes use it: money in minor units. */
export type CatalogueProduct = Omit<Product, "prices" | "categories" | "tags" | "delivery"> & {
  prices: Record<string, number>;
  categories: string[];
  tags: string[];
  delivery?:
    | { kind: "ships-free" | "nothing-to-ship" }
    | { kind: "own-charge"; amounts: Record<string, number>; per: "piece" | "line" };
};

/** Rows written with one statement. */
const BATCH = 500;

/**
 * Writes products; those whose SKU is there already keep their place in the order.
 *
 * @param first the position of the first that is new
 * @throws when a price does not fit its currency
 */
export async function writeProducts(
  connection: PoolConnection,
  products: readonly Product[],
  first = 0,
): Promise<void> {
  const rows = (of: (product: Product, position: number) => unknown[][]) => products.flatMap(of);
  const insert = async (into: string, values: readonly unknown[][], update = "") => {
    for (let start = 0; start < values.length; start += BATCH)
      await connection.query(`INSERT INTO ${into} VALUES ?${update}`, [values.slice(start, start + BATCH)]);
  };
  const traits =
    "name, tax_rate, weight, weight_unit, length, width, height, size_unit, parcel_class, used, delivery, own_charge_per".split(
      ", ",
    );
  await insert(
    `products (sku, position, ${traits.join(", ")})`,
    rows(({ sku, name, taxRate, weight, size, parcelClass, used, delivery }, position) => [
      [
        ...[sku, first + position, name, taxRate ?? null, weight?.value ?? null, weight?.unit ?? null],
        ...[size?.length ?? null, size?.width ?? null, size?.height ?? null, size?.unit ?? null],
        ...[parcelClass ?? null, used ?? false, delivery?.kind ?? null],
        delivery?.kind === "own-charge" ? delivery.per : null,
      ],
    ]),
    ` ON DUPLICATE KEY UPDATE ${traits.map((column) => `${column} = VALUES(${column})`).join(", ")}`,
  );
  await insert(
    "product_prices (sku, currency, minor)",
    rows(({ sku, prices }) => amountRows(sku, prices)),
  );
  await insert(
    "product_own_charges (sku, currency, minor)",
    rows(({ sku, delivery }) => (delivery?.kind === "own-charge" ? amountRows(sku, delivery.amounts) : [])),
  );
  await insert(
    "product_categories (sku, category)",
    rows(({ sku, categories }) => (categories ?? []).map((category) => [sku, category])),
  );
  await insert(
    "product_tags (sku, tag)",
    rows(({ sku, tags }) => (tags ?? []).map((tag) => [sku, tag])),
  );
}

function amountRows(sku: string, amounts: Readonly<Record<string, string>>): [string, string, number][] {
  return Object.entries(amounts).map(([currency, text]) => {
    const exponent = exponentOf(currency);
    const read = exponent === undefined ? { problem: "no such currency" } : minorUnits(text, exponent);
    if (!("minor" in read)) throw new Error(`product ${sku}: ${text} ${currency}: ${read.problem}`);
    return [sku, currency, read.minor];
  });
}

export async function writeSampleCarts(connection: PoolConnection, carts: readonly SampleCart[]): Promise<void> {
  for (const [position, cart] of carts.entries()) {
    await connection.execute("INSERT INTO sample_carts (id, position, name, besides) VALUES (?, ?, ?, ?)", [
      cart.id,
      position,
      cart.name,
      besidesOf(cart),
    ]);
    await writeLines(connection, cart);
  }
}

async function writeLines(connection: PoolConnection, { id, lines }: SampleCart): Promise<void> {
  if (lines.length === 0) return;
  await connection.query("INSERT INTO sample_cart_lines (cart, position, sku, quantity, as_sold) VALUES ?", [
    lines.map(({ sku, quantity, asSold }, position) => [
      ...[id, position, sku, quantity],
      asSold ? JSON.stringify(asSold) : null,
    ]),
  ]);
}

/** What a cart has besides its lines; null where it has nothing. */
const besidesOf = ({ codes, discounts }: SampleCart): string | null =>
  codes || discounts ? JSON.stringify({ codes, discounts }) : null;

/** Keeps one sample cart: a new one behind the others, or a new version of one that is there. */
export async function keepSampleCart(pool: Pool, cart: SampleCart): Promise<void> {
  await inTransaction(pool, async (connection) => {
    await connection.execute(
      `INSERT INTO sample_carts (id, position, name, besides)
       SELECT ?, behind.position, ?, ? FROM (SELECT COALESCE(MAX(position) + 1, 0) AS position FROM sample_carts) AS behind
       ON DUPLICATE KEY UPDATE name = VALUES(name), besides = VALUES(besides)`,
      [cart.id, cart.name, besidesOf(cart)],
    );
    await connection.execute("DELETE FROM sample_cart_lines WHERE cart = ?", [cart.id]);
    await writeLines(connection, cart);
  });
}

export async function removeSampleCart(pool: Pool, id: string): Promise<void> {
  await pool.execute("DELETE FROM sample_carts WHERE id = ?", [id]);
}

interface ProductRow extends RowDataPacket {
  sku: string;
  name: string;
  tax_rate: string | null;
  weight: string | null;
  weight_unit: Weight["unit"] | null;
  length: string | null;
  width: string | null;
  height: string | null;
  size_unit: Size["unit"] | null;
  parcel_class: string | null;
  used: number;
  delivery: "ships-free" | "nothing-to-ship" | "own-charge" | null;
  own_charge_per: "piece" | "line" | null;
}
interface AmountRow extends RowDataPacket {
  sku: string;
  currency: string;
  minor: number;
}
interface LabelRow extends RowDataPacket {
  sku: string;
  label: string;
}

/** Products whose name or SKU contains `search`, in the catalogue's order. */
export async function findProducts(pool: Pool, search: string, limit: number): Promise<CatalogueProduct[]> {
  const like = `%${search.replaceAll(/[\\%_]/g, (character) => `\\${character}`)}%`;
  const [products] = await pool.query<ProductRow[]>(
    `SELECT * FROM products WHERE name LIKE ? COLLATE utf8mb4_unicode_ci OR sku LIKE ? COLLATE utf8mb4_unicode_ci
     ORDER BY position, sku LIMIT ?`,
    [like, like, limit],
  );
  return withTraits(pool, products);
}

interface NameRow extends RowDataPacket {
  kind: "category" | "tag" | "class";
  name: string;
}

/** What products are filed under, by name. */
export type CatalogueNames = {
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  readonly parcelClasses: readonly string[];
};

export async function catalogueNames(pool: Pool): Promise<CatalogueNames> {
  const [rows] = await pool.query<NameRow[]>(
    `SELECT DISTINCT 'category' AS kind, category AS name FROM product_categories
     UNION SELECT DISTINCT 'tag', tag FROM product_tags
     UNION SELECT DISTINCT 'class', parcel_class FROM products WHERE parcel_class IS NOT NULL
     ORDER BY kind, name LIMIT ?`,
    [MOST_NAMES],
  );
  const of = (wanted: NameRow["kind"]) => rows.filter(({ kind }) => kind === wanted).map(({ name }) => name);
  return { categories: of("category"), tags: of("tag"), parcelClasses: of("class") };
}
const MOST_NAMES = 2000;

interface TallyRow extends RowDataPacket {
  products: number;
  without_weight: number;
}

/** How many products there are, and how many of those that are shipped have no weight. */
export async function tallyProducts(pool: Pool): Promise<{ products: number; withoutWeight: number }> {
  const [[row]] = await pool.query<TallyRow[]>(
    `SELECT COUNT(*) AS products, COUNT(CASE WHEN ${NO_WEIGHT} THEN 1 END) AS without_weight FROM products`,
  );
  return { products: row?.products ?? 0, withoutWeight: row?.without_weight ?? 0 };
}
const NO_WEIGHT = "weight IS NULL AND (delivery IS NULL OR delivery = 'own-charge')";

/** Shipped products without a weight, in the catalogue's order. */
export async function productsWithoutWeight(pool: Pool, limit: number): Promise<CatalogueProduct[]> {
  const [products] = await pool.query<ProductRow[]>(
    `SELECT * FROM products WHERE ${NO_WEIGHT} ORDER BY position, sku LIMIT ?`,
    [limit],
  );
  return withTraits(pool, products);
}

/** Every product, in parts of the catalogue's order. */
export async function* allProducts(pool: Pool): AsyncGenerator<CatalogueProduct[]> {
  for (let from = 0; ; from += PART) {
    const [products] = await pool.query<ProductRow[]>(
      "SELECT * FROM products ORDER BY position, sku LIMIT ? OFFSET ?",
      [PART, from],
    );
    if (products.length === 0) return;
    yield await withTraits(pool, products);
  }
}
const PART = 2000;

/** The products named, in the catalogue's order; those that are not there are left out. */
export async function productsNamed(pool: Pool, skus: readonly string[]): Promise<CatalogueProduct[]> {
  if (skus.length === 0) return [];
  const [products] = await pool.query<ProductRow[]>("SELECT * FROM products WHERE sku IN (?) ORDER BY position, sku", [
    skus,
  ]);
  return withTraits(pool, products);
}

async function withTraits(pool: Pool, products: readonly ProductRow[]): Promise<CatalogueProduct[]> {
  if (products.length === 0) return [];
  const skus = products.map(({ sku }) => sku);
  const amountsIn = async (table: "product_prices" | "product_own_charges") => {
    const [rows] = await pool.query<AmountRow[]>(`SELECT sku, currency, minor FROM ${table} WHERE sku IN (?)`, [skus]);
    const bySku = bySkuOf(rows);
    return (sku: string) => Object.fromEntries((bySku.get(sku) ?? []).map(({ currency, minor }) => [currency, minor]));
  };
  const labelsIn = async (table: "product_categories" | "product_tags", column: "category" | "tag") => {
    const [rows] = await pool.query<LabelRow[]>(
      `SELECT sku, ${column} AS label FROM ${table} WHERE sku IN (?) ORDER BY ${column}`,
      [skus],
    );
    const bySku = bySkuOf(rows);
    return (sku: string) => (bySku.get(sku) ?? []).map(({ label }) => label);
  };
  const [pricesOf, ownChargesOf, categoriesOf, tagsOf] = await Promise.all([
    amountsIn("product_prices"),
    amountsIn("product_own_charges"),
    labelsIn("product_categories", "category"),
    labelsIn("product_tags", "tag"),
  ]);
  return products.map((row): CatalogueProduct => {
    const { sku, name, tax_rate: taxRate, weight, weight_unit, length, width, height, size_unit } = row;
    const { delivery, own_charge_per: per, parcel_class: parcelClass } = row;
    return {
      sku,
      name,
      prices: pricesOf(sku),
      categories: categoriesOf(sku),
      tags: tagsOf(sku),
      ...(taxRate === null ? {} : { taxRate }),
      ...(weight === null || weight_unit === null ? {} : { weight: { value: weight, unit: weight_unit } }),
      ...(length === null || width === null || height === null || size_unit === null
        ? {}
        : { size: { length, width, height, unit: size_unit } }),
      ...(parcelClass === null ? {} : { parcelClass }),
      ...(row.used ? { used: true } : {}),
      ...(delivery === null
        ? {}
        : {
            delivery:
              delivery === "own-charge"
                ? { kind: delivery, amounts: ownChargesOf(sku), per: per ?? "piece" }
                : { kind: delivery },
          }),
    };
  });
}

function bySkuOf<Row extends { sku: string }>(rows: readonly Row[]): ReadonlyMap<string, Row[]> {
  const bySku = new Map<string, Row[]>();
  for (const row of rows) bySku.set(row.sku, [...(bySku.get(row.sku) ?? []), row]);
  return bySku;
}

interface CartRow extends RowDataPacket {
  id: string;
  name: string;
  besides: string | null;
  sku: string | null;
  quantity: number | null;
  as_sold: string | null;
}

export async function listSampleCarts(pool: Pool | PoolConnection): Promise<SampleCart[]> {
  const [rows] = await pool.query<CartRow[]>(
    `SELECT c.id, c.name, c.besides, l.sku, l.quantity, l.as_sold
     FROM sample_carts c LEFT JOIN sample_cart_lines l ON l.cart = c.id
     ORDER BY c.position, c.id, l.position`,
  );
  const carts = new Map<string, { lines: object[] }>();
  for (const { id, name, besides, sku, quantity, as_sold } of rows) {
    const lines: object[] = [];
    const cart = carts.get(id) ?? { ...parsed(besides), id, name, lines };
    if (sku !== null) cart.lines.push({ sku, quantity, ...(as_sold === null ? {} : { asSold: parsed(as_sold) }) });
    carts.set(id, cart);
  }
  // Each by itself: one that nobody can read takes none of the others with it.
  return [...carts.values()].flatMap((cart) => {
    const checked = checkSampleCarts([cart]);
    return "value" in checked ? checked.value : [];
  });
}

const parsed = (json: string | null): object => (json === null ? {} : JSON.parse(json));
