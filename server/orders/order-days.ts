import { createHash } from "node:crypto";
import type { Pool, ResultSetHeader, RowDataPacket } from "mysql2/promise";
import { countingKey, goodsCountingOf, type ValueCounting } from "../../core/evidence/order-facts.ts";
import { inTransaction } from "../database/pool.ts";
import { releaseInForce } from "../releases/releases.ts";
import { readOrders, type StoredOrder } from "./read-orders.ts";

interface IdRow extends RowDataPacket {
  id: number;
}
interface DayRow extends RowDataPacket {
  day: string;
  orders: number;
}
interface DueRow extends RowDataPacket {
  day: string;
  turn: string;
}

/** The number of a way to count; known from now on, with all days due that there are orders of. */
export async function countingNumber(pool: Pool, counting: ValueCounting): Promise<number> {
  const body = JSON.stringify(counting);
  const hash = createHash("sha256").update(countingKey(counting)).digest();
  const known = async () => {
    const [[row]] = await pool.query<IdRow[]>("SELECT id FROM countings WHERE counting_hash = ?", [hash]);
    return row?.id;
  };
  const found = await known();
  if (found !== undefined) return found;
  return inTransaction(pool, async (connection) => {
    const [made] = await connection.query<ResultSetHeader>(
      "INSERT INTO countings (counting_hash, body) VALUES (?, ?) ON DUPLICATE KEY UPDATE id = LAST_INSERT_ID(id)",
      [hash, body],
    );
    await connection.query(
      "INSERT IGNORE INTO order_days_due (counting, day, turn) SELECT DISTINCT ?, day, UUID_SHORT() FROM orders",
      [made.insertId],
    );
    return made.insertId;
  });
}

/** A day that is due, and the change it is due by. */
export type DueDay = { readonly day: string; readonly turn: string };

export async function dueDays(pool: Pool, counting: number): Promise<DueDay[]> {
  const [rows] = await pool.query<DueRow[]>(
    "SELECT DATE_FORMAT(day, '%Y-%m-%d') AS day, CAST(turn AS CHAR) AS turn FROM order_days_due WHERE counting = ? ORDER BY day",
    [counting],
  );
  return rows.map(({ day, turn }) => ({ day, turn }));
}

/** What the orders of a day come to that have the rest of a key in common. */
type Cell = {
  /** Day, currency, market, zone, channel and buyer. */
  readonly key: readonly string[];
  orders: number;
  uncounted: number;
  readonly worths: Map<number, [number, number]>;
  /** By the categories of the goods, as JSON. */
  readonly goods: Map<string, number>;
};

/** Rolls up some days by the release in force; without one nothing can be counted. */
export async function rollUpDays(
  pool: Pool,
  { counting, id }: { readonly counting: ValueCounting; readonly id: number },
  days: readonly DueDay[],
): Promise<void> {
  const release = await releaseInForce(pool);
  if (!release) return;
  const count = goodsCountingOf(release.compiled, counting);
  const cells: Cell[] = [];
  for (const some of await readTogether(pool, days))
    cells.push(...cellsOf(await readOrders(pool, { days: some }), count));
  await writeDays(pool, id, days, cells);
}

/** So many orders are read at once, if no single day has more. */
const AT_ONCE = 2000;

/** Days whose orders are read at once: many of few orders, or one of many. */
async function readTogether(pool: Pool, days: readonly DueDay[]): Promise<string[][]> {
  const [rows] = await pool.query<DayRow[]>(
    `SELECT DATE_FORMAT(day, '%Y-%m-%d') AS day, COUNT(*) AS orders FROM orders FORCE INDEX (by_day)
     WHERE day IN (?) GROUP BY orders.day`,
    [days.map(({ day }) => day)],
  );
  const parts: { days: string[]; orders: number }[] = [];
  for (const { day, orders } of rows) {
    const last = parts.at(-1);
    if (!last || last.orders + orders > AT_ONCE) parts.push({ days: [day], orders });
    else {
      last.days.push(day);
      last.orders += orders;
    }
  }
  return parts.map(({ days }) => days);
}

/** Writes what days come to in place of what they came to before; a change that came meanwhile leaves a day due. */
async function writeDays(pool: Pool, id: number, days: readonly DueDay[], cells: readonly Cell[]): Promise<void> {
  await inTransaction(pool, async (connection) => {
    await connection.query("DELETE FROM order_days WHERE counting = ? AND day IN (?)", [
      id,
      days.map(({ day }) => day),
    ]);
    if (cells.length > 0)
      await connection.query(
        "INSERT INTO order_days (counting, day, currency, market, zone, channel, buyer, orders, uncounted, worths, goods) VALUES ?",
        [
          cells.map(({ key, orders, uncounted, worths, goods }) => [
            ...[id, ...key, orders, uncounted],
            ...[worthsText(worths), goodsText(goods)],
          ]),
        ],
      );
    await connection.query("DELETE FROM order_days_due WHERE counting = ? AND (day, turn) IN (?)", [
      id,
      days.map(({ day, turn }) => [day, turn]),
    ]);
  });
}

function cellsOf(stored: readonly StoredOrder[], count: ReturnType<typeof goodsCountingOf>): Cell[] {
  const cells = new Map<string, Cell>();
  for (const { day, order, market, zone, channel } of stored) {
    if (order.cancelled) continue;
    const currency = "request" in order ? order.request.currency : order.currency;
    const key = [day, currency, market ?? "", zone ?? "", channel ?? "", order.buyer ?? ""];
    const cell = cells.get(key.join("\n")) ?? { key, orders: 0, uncounted: 0, worths: new Map(), goods: new Map() };
    cells.set(key.join("\n"), cell);
    cell.orders += 1;
    const counted = count(order);
    if (counted === null) {
      cell.uncounted += 1;
      continue;
    }
    const { worth, goods } = counted;
    for (const one of goods) {
      if (one.worth === 0) continue;
      const categories = JSON.stringify(one.categories);
      cell.goods.set(categories, (cell.goods.get(categories) ?? 0) + one.worth);
    }
    const [orders, charged] = cell.worths.get(worth) ?? [0, 0];
    cell.worths.set(worth, [orders + 1, charged + order.charged]);
  }
  return [...cells.values()];
}

const worthsText = (worths: Cell["worths"]): string =>
  [...worths].map(([worth, [orders, charged]]) => `${worth}:${orders}:${charged}`).join(",");

const goodsText = (goods: Cell["goods"]): string =>
  `[${[...goods].map(([categories, worth]) => `[${categories},${worth}]`).join(",")}]`;
