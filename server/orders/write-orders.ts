import { createHash } from "node:crypto";
import type { Pool, PoolConnection, RowDataPacket } from "mysql2/promise";
import { orderFacts } from "../../core/evidence/order-facts.ts";
import { isPriceable } from "../../core/evidence/past-order.ts";
import { isRecord } from "../../core/schema/is-record.ts";
import type { Problem } from "../../core/schema/problem.ts";
import type { CompiledPlan } from "../../core/tariff/compile.ts";
import { inTransaction } from "../database/pool.ts";
import type { Deliverers } from "./deliverers.ts";
import type { OrderIn } from "./order-in.ts";

/** What became of orders that were sent: a known number with the same content is the same, with another it is replaced. */
export type Written = { readonly added: number; readonly changed: number; readonly same: number };

interface KnownRow extends RowDataPacket {
  id: number;
  number: string;
  content_hash: Buffer;
  day: string;
}

/** An order with what its columns say. */
type Row = {
  readonly order: OrderIn;
  readonly hash: Buffer;
  readonly day: string;
  readonly columns: readonly unknown[];
};

const COLUMNS =
  "number, placed_at, day, currency, total, charged, cost, chosen, market, zone, channel, buyer, shopper, made_under, is_cancelled, request, content_hash";

/**
 * What keeps an order from being written. Paths lead into it.
 *
 * @param deliverers the plans that orders were delivered by
 */
export async function orderProblems(order: OrderIn, deliverers: Deliverers): Promise<Problem[]> {
  const { plan } = await deliverers(order);
  const facts = orderFacts(plan, order);
  return "problems" in facts ? facts.problems.map((problem) => ({ ...problem, path: `/request${problem.path}` })) : [];
}

/**
 * Writes orders that are sound, all or none; of two with the same number the later counts.
 *
 * @throws for an order that {@link orderProblems} would have told of
 */
export async function writeOrders(pool: Pool, orders: readonly OrderIn[], deliverers: Deliverers): Promise<Written> {
  const last = new Map(orders.map((order) => [order.order, order]));
  const rows: Row[] = [];
  for (const order of last.values()) rows.push(rowOf(order, await deliverers(order)));
  if (rows.length === 0) return { added: 0, changed: 0, same: 0 };
  return inTransaction(pool, async (connection) => {
    const known = await knownOrders(connection, [...last.keys()], "FOR UPDATE");
    const fresh = rows.filter(({ order, hash }) => !known.get(order.order)?.content_hash.equals(hash));
    const replaced = fresh.flatMap(({ order }) => known.get(order.order) ?? []);
    const ids = replaced.map(({ id }) => id);
    if (ids.length > 0) await connection.query("DELETE FROM orders WHERE id IN (?)", [ids]);
    if (fresh.length > 0) {
      await insertOrders(connection, fresh, known);
      await makeDue(connection, [...fresh.map(({ day }) => day), ...replaced.map(({ day }) => day)]);
    }
    return { added: fresh.length - ids.length, changed: ids.length, same: rows.length - fresh.length };
  });
}

/** What {@link writeOrders} would do; nothing is written. */
export async function compareOrders(pool: Pool, orders: readonly OrderIn[]): Promise<Written> {
  if (orders.length === 0) return { added: 0, changed: 0, same: 0 };
  const numbers = orders.map(({ order }) => order);
  const known = await knownOrders(pool, numbers, "");
  const same = orders.filter((order) => known.get(order.order)?.content_hash.equals(contentHash(order))).length;
  return { added: orders.length - known.size, changed: known.size - same, same };
}

const contentHash = (order: OrderIn): Buffer =>
  createHash("sha256")
    .update(JSON.stringify(sorted(order)))
    .digest();

async function knownOrders(
  connection: Pool | PoolConnection,
  numbers: readonly string[],
  lock: "" | "FOR UPDATE",
): Promise<Map<string, KnownRow>> {
  // By a named index, as all orders are read: see `readOrders`.
  const [rows] = await connection.query<KnownRow[]>(
    `SELECT id, number, content_hash, DATE_FORMAT(day, '%Y-%m-%d') AS day FROM orders FORCE INDEX (number)
     WHERE number IN (?) ${lock}`,
    [numbers],
  );
  return new Map(rows.map((row) => [row.number, row]));
}

/** Orders that were there before keep their ids. */
async function insertOrders(
  connection: PoolConnection,
  rows: readonly Row[],
  known: ReadonlyMap<string, KnownRow>,
): Promise<void> {
  await connection.query(`INSERT INTO orders (id, ${COLUMNS}) VALUES ?`, [
    rows.map(({ order, columns }) => [known.get(order.order)?.id ?? null, ...columns]),
  ]);
  const written = await knownOrders(
    connection,
    rows.map(({ order }) => order.order),
    "",
  );
  const lines = rows.flatMap(({ order }) =>
    isPriceable(order)
      ? order.request.cart.lines.map(({ sku, quantity, unitPrice, discount, ...more }, position) => [
          ...[written.get(order.order)?.id, position, sku, quantity, unitPrice, discount ?? null],
          Object.keys(more).length > 0 ? JSON.stringify(more) : null,
        ])
      : [],
  );
  if (lines.length > 0)
    await connection.query(
      "INSERT INTO order_lines (order_id, position, sku, quantity, unit_price, discount, more) VALUES ?",
      [lines],
    );
}

/** Says that days have to be rolled up anew, in every way that orders have been counted. */
async function makeDue(connection: PoolConnection, days: readonly string[]): Promise<void> {
  for (const day of [...new Set(days)].sort())
    await connection.execute(
      `INSERT INTO order_days_due (counting, day, turn) SELECT id, ?, UUID_SHORT() FROM countings ORDER BY id
       ON DUPLICATE KEY UPDATE turn = VALUES(turn)`,
      [day],
    );
}

function rowOf(order: OrderIn, compiled: { plan: CompiledPlan | null; release: number | null }): Row {
  const facts = orderFacts(compiled.plan, order);
  if ("problems" in facts) throw new TypeError(`order ${order.order} cannot be read`);
  const { day, currency, total, market, zone, channel, shopper, at } = facts;
  const hash = contentHash(order);
  const chosen = isPriceable(order) ? order.option : null;
  const { charged, cost, buyer, cancelled } = order;
  return {
    ...{ order, hash, day },
    columns: [
      ...[order.order, new Date(at), day, currency, total, charged, cost ?? null, chosen, market, zone, channel],
      ...[buyer ?? null, shopper, compiled.release, cancelled ?? false, requestText(order), hash],
    ],
  };
}

/** The request without its lines: they have rows of their own. */
function requestText(order: OrderIn): string | null {
  if (!isPriceable(order)) return null;
  const { lines: _, ...cart } = order.request.cart;
  return JSON.stringify({ ...order.request, cart });
}

/** The same content in the same order, however it was sent. Files of orders have hundreds of thousands of them: it is done plainly. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (!isRecord(value)) return value;
  const inOrder: Record<string, unknown> = {};
  for (const key of Object.keys(value).sort()) inOrder[key] = sorted(value[key]);
  return inOrder;
}
