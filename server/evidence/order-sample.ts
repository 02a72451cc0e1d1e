import type { Pool, RowDataPacket } from "mysql2/promise";
import { isPriceable, type PastOrder } from "../../core/evidence/past-order.ts";
import { type OrderFilter, orderCondition } from "../orders/order-filter.ts";
import { readOrders } from "../orders/read-orders.ts";

interface RangeRow extends RowDataPacket {
  least: number | null;
  most: number | null;
  orders: number;
}
interface IdRow extends RowDataPacket {
  id: number;
}

/** Ids that are drawn at once, and how often: where few of them fit, fewer orders are found. */
const DRAWN = 4000;
const ROUNDS = 5;

/** Orders drawn at random of those that can be priced, and how many there are to draw from. */
export type OrderSample = { readonly orders: readonly PastOrder[]; readonly of: number };

/** @param most orders that are wanted */
export async function orderSample(pool: Pool, filter: OrderFilter, most: number): Promise<OrderSample> {
  const { where, values } = orderCondition(filter);
  const fits = `${where} AND request IS NOT NULL AND NOT is_cancelled`;
  const [[range]] = await pool.query<RangeRow[]>(
    `SELECT MIN(id) AS least, MAX(id) AS most, COUNT(*) AS orders FROM orders WHERE ${fits}`,
    [...values],
  );
  const { least, most: last } = range ?? { least: null, most: null };
  if (!range || least === null || last === null) return { orders: [], of: 0 };
  const ids = new Set<number>();
  for (let round = 0; round < ROUNDS && ids.size < Math.min(most, range.orders); round += 1) {
    const drawn = Array.from({ length: DRAWN }, () => least + Math.floor(Math.random() * (last - least + 1)));
    const [rows] = await pool.query<IdRow[]>(`SELECT id FROM orders WHERE id IN (?) AND ${fits}`, [drawn, ...values]);
    // In the order in which they were drawn, so that the first few are drawn as well as all of them.
    const found = new Set(rows.map(({ id }) => id));
    for (const id of drawn) if (found.has(id) && ids.size < most) ids.add(id);
  }
  const stored = new Map(
    (ids.size > 0 ? await readOrders(pool, { ids: [...ids] }) : []).map((one) => [one.id, one.order]),
  );
  const orders = [...ids].flatMap((id) => {
    const order = stored.get(id);
    return order && isPriceable(order) ? [order] : [];
  });
  return { orders, of: range.orders };
}
