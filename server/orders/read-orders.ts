import type { Pool, PoolConnection, RowDataPacket } from "mysql2/promise";
import type { PastOrder, PlainOrder } from "../../core/evidence/past-order.ts";
import { Kept } from "../../core/phrases/kept.ts";
import type { CartLine } from "../../core/request/request.ts";
import { type Condition, type OrderFilter, orderCondition } from "./order-filter.ts";

/** An order as it was written, with what the release of the time says of it. */
export type StoredOrder = {
  readonly id: number;
  /** When it was placed, by the clock there. */
  readonly day: string;
  readonly order: PastOrder | PlainOrder;
  readonly market: string | null;
  readonly zone: string | null;
  readonly channel: string | null;
};

interface OrderRow extends RowDataPacket {
  id: number;
  day: string;
  number: string;
  placed_at: Date;
  currency: string;
  total: number;
  charged: number;
  cost: number | null;
  chosen: string | null;
  market: string | null;
  zone: string | null;
  channel: string | null;
  buyer: "new" | "returning" | null;
  made_under: number | null;
  is_cancelled: number;
  request: string | null;
}
interface LineRow extends RowDataPacket {
  order_id: number;
  sku: string;
  quantity: number;
  unit_price: number;
  discount: number | null;
  more: string | null;
}

/** Which orders: all of some days, or some of them, some of a stretch of ids, or some by their ids or their number. */
export type Which =
  | { readonly days: readonly string[]; readonly filter?: OrderFilter }
  | { readonly from: number; readonly to: number; readonly filter: OrderFilter }
  | { readonly ids: readonly number[] }
  | { readonly number: string };

const EVERY: Condition = { where: "TRUE", values: [] };

/**
 * Which orders, and by what index they are found. It is named, since a database that was started again soon after an import takes the
 * tables for empty until it has counted them, and goes through all of them each time.
 */
function conditionOf(which: Which): Condition & { readonly by: "by_day" | "number" | "PRIMARY" } {
  if ("number" in which) return { where: "o.number = ?", values: [which.number], by: "number" };
  if ("ids" in which) return { where: "o.id IN (?)", values: [which.ids], by: "PRIMARY" };
  const { where, values } = which.filter ? orderCondition(which.filter) : EVERY;
  if ("days" in which) return { where: `o.day IN (?) AND ${where}`, values: [which.days, ...values], by: "by_day" };
  return { where: `o.id BETWEEN ? AND ? AND ${where}`, values: [which.from, which.to, ...values], by: "PRIMARY" };
}

interface AnyRow extends RowDataPacket {
  some: number;
}

/** Whether there is an order at all. */
export async function hasOrders(pool: Pool): Promise<boolean> {
  const [[row]] = await pool.query<AnyRow[]>("SELECT EXISTS (SELECT 1 FROM orders) AS some");
  return row?.some === 1;
}

/** Orders with their lines, the earliest written first. */
export async function readOrders(connection: Pool | PoolConnection, which: Which): Promise<StoredOrder[]> {
  const { where, values, by } = conditionOf(which);
  const [rows] = await connection.query<OrderRow[]>(
    `SELECT id, number, DATE_FORMAT(day, '%Y-%m-%d') AS day, placed_at, currency, total, charged, cost, chosen, market, zone, channel,
       buyer, made_under, is_cancelled, request FROM orders o FORCE INDEX (${by}) WHERE ${where} ORDER BY id`,
    [...values],
  );
  const [lines] = await connection.query<LineRow[]>(
    `SELECT order_id, sku, quantity, unit_price, discount, more
     FROM orders o FORCE INDEX (${by}) STRAIGHT_JOIN order_lines FORCE INDEX (PRIMARY) ON order_id = o.id
     WHERE ${where} ORDER BY order_id, position`,
    [...values],
  );
  let next = 0;
  // Most lines of a product say the same of it.
  const said = new Kept<Said>(MOST_SAID);
  const lineOf = ({ sku, quantity, unit_price: unitPrice, discount, more }: LineRow): CartLine => ({
    ...{ sku, quantity, unitPrice },
    ...(discount === null ? {} : { discount }),
    ...(more === null ? {} : said.of(more, () => JSON.parse(more))),
  });
  return rows.map((row) => {
    const first = next;
    while (lines[next]?.order_id === row.id) next += 1;
    return storedOf(row, lines.slice(first, next).map(lineOf));
  });
}

/** What a line says besides what has a column of its own. */
type Said = Omit<CartLine, "sku" | "quantity" | "unitPrice" | "discount">;
const MOST_SAID = 10_000;

function storedOf(row: OrderRow, lines: CartLine[]): StoredOrder {
  const { id, day, market, zone, channel, charged, cost, buyer, made_under: release, chosen, request } = row;
  const common = {
    ...{ order: row.number, charged },
    ...(cost === null ? {} : { cost }),
    ...(buyer === null ? {} : { buyer }),
    ...(row.is_cancelled ? { cancelled: true } : {}),
  };
  if (request === null || chosen === null) {
    const { placed_at: at, currency, total } = row;
    return { id, day, market, zone, channel, order: { ...common, at: at.toISOString(), currency, total } };
  }
  // As it was checked when it was written.
  const asked: PastOrder["request"] = JSON.parse(request);
  const cart = { ...asked.cart, lines };
  const past = { ...common, request: { ...asked, cart }, option: chosen, ...(release === null ? {} : { release }) };
  return { id, day, market, zone, channel, order: past };
}
