import type { Pool, RowDataPacket } from "mysql2/promise";
import type { ValueCounting } from "../../core/evidence/order-facts.ts";
import type { PastGoal } from "../../core/evidence/past-goal.ts";
import { roundStep } from "../../core/evidence/round-amount.ts";
import { quantileOf, type Spread, spreadOf } from "../../core/evidence/spread.ts";
import { type OrderFilter, orderCondition } from "../orders/order-filter.ts";
import type { EstimatedGain } from "./order-worker.ts";
import { releasedGoals, statedGoals } from "./past-goals.ts";
import { pointsOf } from "./read-spread.ts";
import { inThread } from "./worker-pool.ts";

/** What is asked of goals that a market could have. Amounts in minor units. */
export type GainAsked = {
  readonly filter: OrderFilter;
  readonly counting: ValueCounting;
  /** Of what goods cost, in hundredths of a percent. */
  readonly margin: number;
  /** What a delivery counts as that is given away; what is charged for one on the mean, where it is left out. */
  readonly perDelivery?: number;
  /** The share of shoppers who go for a goal, in hundredths of a percent, where it is stated: a guess. */
  readonly share?: number;
  /** Goals that are to be among those looked at. */
  readonly goals?: readonly number[];
};

interface DayRow extends RowDataPacket {
  day: string;
  worths: string;
}

/** @param counting the number of the way of counting, in which everything is rolled up */
export async function tellGain(pool: Pool, counting: number, asked: GainAsked): Promise<EstimatedGain> {
  const { filter } = asked;
  const days = await daySpreads(pool, counting, filter);
  const goals = (await goalsThere(pool)).filter(
    (goal) => goal.currency === filter.currency && (filter.market === undefined || goal.market === filter.market),
  );
  const whole = spreadOf([...days.values()].flat());
  const perDelivery = asked.perDelivery ?? meanCharge(whole, goals);
  return inThread({
    do: "gain",
    days: [...days],
    goals,
    candidates: candidatesIn(whole, asked.goals ?? []),
    stated: asked.share === undefined ? null : asked.share / 10_000,
    margin: asked.margin / 10_000,
    perDelivery,
  });
}

/** Goals of the past, stated or told of by releases. */
async function goalsThere(pool: Pool): Promise<PastGoal[]> {
  return [...(await statedGoals(pool)), ...(await releasedGoals(pool, Date.now()))];
}

async function daySpreads(pool: Pool, counting: number, filter: OrderFilter): Promise<Map<string, Spread>> {
  const { where, values } = orderCondition(filter);
  const [rows] = await pool.query<DayRow[]>(
    `SELECT DATE_FORMAT(day, '%Y-%m-%d') AS day, worths FROM order_days WHERE counting = ? AND ${where}`,
    [counting, ...values],
  );
  const byDay = new Map<string, string[]>();
  for (const { day, worths } of rows) byDay.set(day, [...(byDay.get(day) ?? []), worths]);
  return new Map([...byDay].map(([day, worths]) => [day, spreadOf(worths.flatMap(pointsOf))]));
}

/** What delivery is charged on the mean below every goal that there was: above, it may have been free for that. */
function meanCharge(spread: Spread, goals: readonly PastGoal[]): number | null {
  const lowest = Math.min(...goals.map(({ goal }) => goal));
  const paying = spread.filter(({ value }) => value < lowest);
  const orders = paying.reduce((sum, point) => sum + point.orders, 0);
  return orders === 0 ? null : Math.round(paying.reduce((sum, { charged }) => sum + charged, 0) / orders);
}

/** Some forty round goals, from where few orders lie below to where few lie above. */
function candidatesIn(spread: Spread, wanted: readonly number[]): number[] {
  const [low, high] = [quantileOf(spread, 0.1), quantileOf(spread, 0.97)];
  if (low === null || high === null) return [];
  const step = roundStep((high - low) / 4);
  const first = Math.ceil(low / step);
  const round = Array.from({ length: Math.max(0, Math.floor(high / step) - first + 1) }, (_, i) => (first + i) * step);
  return [...new Set([...round, ...wanted.filter((goal) => goal > 0)])].sort((a, b) => a - b);
}
