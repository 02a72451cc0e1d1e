import type { Pool, ResultSetHeader, RowDataPacket } from "mysql2/promise";
import { inTransaction } from "../database/pool.ts";
import type { OrderIn } from "../orders/order-in.ts";
import { readOrders } from "../orders/read-orders.ts";
import { type Uses, usesOf } from "../redemptions/ledger.ts";

/** A claim that names a shopper; times in RFC 3339. */
type ClaimKept = {
  readonly order: string;
  readonly offer: string;
  readonly claimedAt: string;
  readonly givenBackAt: string | null;
};

/** All that is kept of one shopper, by the reference that the shop gave. */
export type ShopperData = {
  readonly shopper: string;
  readonly claims: readonly ClaimKept[];
  /** How often offers have been used, by their ids. */
  readonly uses: Uses;
  /** Past orders, whole. */
  readonly orders: readonly OrderIn[];
};

interface IdRow extends RowDataPacket {
  id: number;
}
interface ClaimRow extends RowDataPacket {
  order_id: string;
  offer: string;
  claimed_at: Date;
  given_back_at: Date | null;
}

/** @example await shopperData(pool, "s-1") // { shopper: "s-1", claims: [{ order: "o-7", … }], uses: { newsletter: 1 } } */
export async function shopperData(pool: Pool, shopper: string): Promise<ShopperData> {
  const [rows] = await pool.execute<ClaimRow[]>(
    "SELECT order_id, offer, claimed_at, given_back_at FROM redemptions WHERE shopper = ? ORDER BY claimed_at, order_id, offer",
    [shopper],
  );
  const claims = rows.map((row) => ({
    order: row.order_id,
    offer: row.offer,
    claimedAt: row.claimed_at.toISOString(),
    givenBackAt: row.given_back_at?.toISOString() ?? null,
  }));
  const [ids] = await pool.execute<IdRow[]>("SELECT id FROM orders WHERE shopper = ? ORDER BY id", [shopper]);
  const orders = ids.length > 0 ? await readOrders(pool, { ids: ids.map(({ id }) => id) }) : [];
  return { shopper, claims, uses: await usesOf(pool, shopper), orders: orders.map(({ order }) => order) };
}

/** What was taken off: claims and orders that named the shopper, which stay without the name, and counts. */
export type Erased = { readonly claims: number; readonly counts: number; readonly orders: number };

/** What of an order's request says who somebody is, or where exactly they live; country, region and postcode are what it was priced by. */
const WHO_AND_WHERE = ["$.shopper.id", "$.shopper.billingPostcode", "$.destination.street", "$.destination.position"];

/**
 * Takes a shopper's reference off everything that is kept. What was claimed stays counted for everybody; how often this shopper
 * has used offers is forgotten, so that a limit per shopper begins anew.
 */
export function eraseShopper(pool: Pool, shopper: string): Promise<Erased> {
  return inTransaction(pool, async (connection) => {
    const [claims] = await connection.execute<ResultSetHeader>(
      "UPDATE redemptions SET shopper = NULL WHERE shopper = ?",
      [shopper],
    );
    const [counts] = await connection.execute<ResultSetHeader>("DELETE FROM redemption_counts WHERE shopper = ?", [
      shopper,
    ]);
    const [orders] = await connection.execute<ResultSetHeader>(
      `UPDATE orders SET shopper = NULL, request = JSON_REMOVE(request, ${WHO_AND_WHERE.map(() => "?").join(", ")})
       WHERE shopper = ?`,
      [...WHO_AND_WHERE, shopper],
    );
    return { claims: claims.affectedRows, counts: counts.affectedRows, orders: orders.affectedRows };
  });
}

interface ShopperRow extends RowDataPacket {
  shopper: string;
}

/** Shoppers at once, so that no transaction is long. */
const BATCH = 500;

/** Erases every shopper who has claimed and ordered nothing for so many days. @returns how many */
export async function eraseShoppersAfter(pool: Pool, days: number): Promise<number> {
  for (let erased = 0; ; ) {
    const [rows] = await pool.query<ShopperRow[]>(
      `SELECT shopper FROM (
         SELECT shopper, MAX(claimed_at) AS last FROM redemptions WHERE shopper IS NOT NULL GROUP BY shopper
         UNION ALL SELECT shopper, MAX(placed_at) FROM orders WHERE shopper IS NOT NULL GROUP BY shopper
       ) AS times GROUP BY shopper HAVING MAX(last) < UTC_TIMESTAMP(3) - INTERVAL ? DAY LIMIT ?`,
      [days, BATCH],
    );
    for (const { shopper } of rows) await eraseShopper(pool, shopper);
    erased += rows.length;
    if (rows.length < BATCH) return erased;
  }
}
