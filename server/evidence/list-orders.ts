import type { Pool, RowDataPacket } from "mysql2/promise";
import type { ListedOrder, ReplayPick } from "../../core/evidence/listed-orders.ts";
import type { ValueCounting } from "../../core/evidence/order-facts.ts";
import { type OrderFilter, orderCondition } from "../orders/order-filter.ts";
import { planInForce } from "../releases/releases.ts";
import type { Picked, ReplayPlans } from "./order-worker.ts";
import { pointsOf } from "./read-spread.ts";
import { plansOfReplay } from "./replay-jobs.ts";
import { inThread } from "./worker-pool.ts";

/** Some of the orders that a figure is made of, the latest first; `after` is where to go on, null where there are no more. */
export type ListedOrders = { readonly orders: readonly ListedOrder[]; readonly after: string | null };

export type WorthAsked = {
  readonly filter: OrderFilter;
  readonly counting: ValueCounting;
  readonly from: number;
  readonly below?: number;
  readonly after?: string;
};
export type ReplayedAsked = { readonly job: string; readonly pick: ReplayPick; readonly after?: string };

/** So many are told at once, about, and so many orders are looked at for them before there is an answer. */
const ENOUGH = 50;
const MOST_LOOKED = 30_000;
/** Orders that a thread is handed at first; four times as many each time that too few of them were meant. */
const FIRST_PART = 100;
const LARGEST_PART = 4000;

interface DayRow extends RowDataPacket {
  day: string;
  orders: number;
  worths: string;
}

/** Days that have orders which a figure may be made of, the latest first. */
type Day = { readonly day: string; readonly orders: number };

/** Orders whose worth lies in a stretch. @param counting the number of the way of counting, in which everything is rolled up */
export async function ordersOfWorth(pool: Pool, counting: number, asked: WorthAsked): Promise<ListedOrders> {
  const { filter, from, below } = asked;
  const release = await planInForce(pool);
  if (!release) return { orders: [], after: null };
  const { where, values } = orderCondition(filter);
  const [rows] = await pool.query<DayRow[]>(
    `SELECT DATE_FORMAT(day, '%Y-%m-%d') AS day, orders, worths FROM order_days WHERE counting = ? AND ${where}`,
    [counting, ...values],
  );
  const isIn = ({ value }: { readonly value: number }) => value >= from && (below === undefined || value < below);
  const { plan, calendars } = release;
  const plans: ReplayPlans = {
    now: { name: `release ${release.release.checksum}`, plan, calendars },
    ...{ beside: null, atItsOwnMoment: false, edges: [], counting: asked.counting },
  };
  const days = rows.filter(({ worths }) => pointsOf(worths).some(isIn));
  return ordersOn(joined(days), { filter, after: asked.after, picked: { by: "worth", from, below }, plans });
}

/** Orders behind a figure of a replay; null where it is not remembered any more. */
export async function ordersOfReplay(pool: Pool, { job, pick, after }: ReplayedAsked): Promise<ListedOrders | null> {
  const found = plansOfReplay(job);
  if (!found) return null;
  const { filter, ...asked } = found.asked;
  const { where, values } = orderCondition(filter);
  const [rows] = await pool.query<DayRow[]>(
    `SELECT DATE_FORMAT(day, '%Y-%m-%d') AS day, COUNT(*) AS orders, '' AS worths FROM orders WHERE ${where} GROUP BY orders.day`,
    [...values],
  );
  return ordersOn(joined(rows), { filter, after, picked: { by: "replay", pick }, plans: { ...asked, ...found.plans } });
}

/** Each day once, the latest first. */
function joined(rows: readonly Day[]): Day[] {
  const days = new Map<string, number>();
  for (const { day, orders } of rows) days.set(day, (days.get(day) ?? 0) + orders);
  return [...days].map(([day, orders]) => ({ day, orders })).sort((a, b) => (a.day < b.day ? 1 : -1));
}

type Looked = {
  readonly filter: OrderFilter;
  readonly after: string | undefined;
  readonly picked: Picked;
  readonly plans: ReplayPlans;
};

/** Goes through days until there are enough orders, or enough has been looked at. */
async function ordersOn(days: readonly Day[], { filter, after, picked, plans }: Looked): Promise<ListedOrders> {
  const left = after === undefined ? [...days] : days.filter(({ day }) => day < after);
  const orders: ListedOrder[] = [];
  let [looked, size, last] = [0, FIRST_PART, ""];
  while (left.length > 0 && orders.length < ENOUGH && looked < MOST_LOOKED) {
    const part = firstDays(left, size);
    last = part.at(-1)?.day ?? "";
    const found = await inThread({ do: "list", filter, days: part.map(({ day }) => day), picked, ...plans });
    orders.push(...found);
    looked += ordersOf(part);
    size = Math.min(LARGEST_PART, size * 4);
    left.splice(0, part.length);
  }
  return { orders, after: left.length > 0 ? last : null };
}

const ordersOf = (days: readonly Day[]): number => days.reduce((sum, { orders }) => sum + orders, 0);

/** As many of the first days as have so many orders together, and one at least. */
function firstDays(days: readonly Day[], size: number): readonly Day[] {
  let [count, orders] = [0, 0];
  while (count < days.length && orders < size) orders += days[count++]?.orders ?? 0;
  return days.slice(0, count);
}
