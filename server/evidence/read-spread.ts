import type { Pool, RowDataPacket } from "mysql2/promise";
import type { GoodsMix } from "../../core/evidence/margin.ts";
import { type Spread, type SpreadPoint, spreadOf } from "../../core/evidence/spread.ts";
import { type OrderFilter, orderCondition } from "../orders/order-filter.ts";

interface DayRow extends RowDataPacket {
  uncounted: number;
  worths: string;
}

/** Worths of orders, and how many orders there are whose worth cannot be told so. */
export type OrderSpread = { readonly spread: Spread; readonly uncounted: number };

/** The spread of orders from what is rolled up of them. */
export async function readSpread(pool: Pool, counting: number, filter: OrderFilter): Promise<OrderSpread> {
  const { where, values } = orderCondition(filter);
  const [rows] = await pool.query<DayRow[]>(
    `SELECT uncounted, worths FROM order_days WHERE counting = ? AND ${where}`,
    [counting, ...values],
  );
  return {
    spread: spreadOf(rows.flatMap(({ worths }) => pointsOf(worths))),
    uncounted: rows.reduce((sum, row) => sum + row.uncounted, 0),
  };
}

/** @example pointsOf("4500:2:490,980:1:490") // two of 45.00, of which one was charged 4.90; one of 9.80 */
export function pointsOf(worths: string): SpreadPoint[] {
  if (worths === "") return [];
  return worths.split(",").map((text) => {
    const [value = 0, orders = 0, charged = 0] = text.split(":").map(Number);
    return { value, orders, charged };
  });
}

interface GoodsRow extends RowDataPacket {
  goods: string;
}

/** What the goods of orders come to, by their categories, from what is rolled up of them. */
export async function readGoods(pool: Pool, counting: number, filter: OrderFilter): Promise<GoodsMix> {
  const { where, values } = orderCondition(filter);
  const [rows] = await pool.query<GoodsRow[]>(`SELECT goods FROM order_days WHERE counting = ? AND ${where}`, [
    counting,
    ...values,
  ]);
  const together = new Map<string, { categories: string[]; worth: number }>();
  for (const { goods } of rows) {
    // As it was rolled up.
    const parts: [string[], number][] = JSON.parse(goods);
    for (const [categories, worth] of parts) {
      const key = categories.join("\n");
      const known = together.get(key);
      if (known) known.worth += worth;
      else together.set(key, { categories, worth });
    }
  }
  return [...together.values()];
}
