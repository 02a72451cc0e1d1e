import type { Pool, RowDataPacket } from "mysql2/promise";
import { freeDelivery, type Given, givenBy } from "../../core/evidence/given.ts";
import { rewardsAt } from "../../core/evidence/goals-of-plan.ts";
import {
  type GoodsMix,
  type MarginPart,
  marginParts,
  meanMargin,
  type StatedMargins,
} from "../../core/evidence/margin.ts";
import type { ValueCounting } from "../../core/evidence/order-facts.ts";
import type { PastGoal } from "../../core/evidence/past-goal.ts";
import { roundStep } from "../../core/evidence/round-amount.ts";
import { quantileOf, type Spread, spreadOf } from "../../core/evidence/spread.ts";
import { ratesOf } from "../../core/plan/plan.ts";
import { soldIn } from "../catalogue/sold.ts";
import { compiledDraft } from "../draft/compiled-draft.ts";
import { type OrderFilter, orderCondition } from "../orders/order-filter.ts";
import type { EstimatedGain } from "./order-worker.ts";
import { releasedGoals, statedGoals } from "./past-goals.ts";
import { pointsOf, readGoods } from "./read-spread.ts";
import { marginsOf, marketKey, statedFigures } from "./stated-figures.ts";
import { inThread } from "./worker-pool.ts";

/** What is asked of goals that a market could have. Amounts in minor units. */
export type GainAsked = {
  readonly filter: OrderFilter;
  readonly counting: ValueCounting;
  /** The step of the draft whose goal it is: what it gives, and steps with the same goal do. Free delivery where it is left out. */
  readonly step?: { readonly offer: string; readonly step: string };
  /** Goals that are to be among those looked at. */
  readonly goals?: readonly number[];
};

/** What goals would bring, and what has been taken for it. Amounts in minor units. */
export type ToldGain = EstimatedGain & {
  /** The margin on what was bought, by what has a margin of its own; null where none is stated. */
  readonly margins: readonly MarginPart[] | null;
  readonly margin: number | null;
  /** What goods were bought of, the most first. */
  readonly categories: readonly string[];
  /** What is given to whoever reaches the goal; null where it cannot be told. */
  readonly given: Given | null;
  readonly isFreeDelivery: boolean;
  readonly perDelivery: number | null;
  /** Of shoppers who go for a goal, a part of one; null where none is stated. */
  readonly statedShare: number | null;
};

interface DayRow extends RowDataPacket {
  day: string;
  worths: string;
}

/** @param counting the number of the way of counting, in which everything is rolled up */
export async function tellGain(pool: Pool, counting: number, asked: GainAsked): Promise<ToldGain> {
  const { filter } = asked;
  const days = await daySpreads(pool, counting, filter);
  const goals = (await goalsThere(pool)).filter(
    (goal) => goal.currency === filter.currency && (filter.market === undefined || goal.market === filter.market),
  );
  const whole = spreadOf([...days.values()].flat());
  const stated = await statedFigures(pool);
  const mix = await readGoods(pool, counting, filter);
  const margins = marginsOf(stated);
  const parts = margins && marginParts(mix, margins);
  const margin = margins && meanMargin(parts ?? [], margins.others);
  const perDelivery = stated.perDelivery[filter.currency] ?? meanCharge(whole, goals);
  const { given, isFreeDelivery } = await givenIn(pool, asked, perDelivery, margins);
  const statedShare = stated.shares[marketKey(filter)] ?? null;
  const estimated = await inThread({
    do: "gain",
    days: [...days],
    goals,
    candidates: candidatesIn(whole, asked.goals ?? []),
    stated: statedShare,
    stakes: margin === null || given === null ? null : { margin, given },
    isFreeDelivery,
  });
  return {
    ...estimated,
    ...{ margins: parts, margin, categories: categoriesIn(mix) },
    ...{ given, isFreeDelivery, perDelivery, statedShare },
  };
}

function categoriesIn(mix: GoodsMix): string[] {
  const worths = new Map<string, number>();
  for (const { categories, worth } of mix)
    for (const name of categories) worths.set(name, (worths.get(name) ?? 0) + worth);
  return [...worths].sort(([, a], [, b]) => b - a).map(([name]) => name);
}

/** What the steps give that have their goal where the one asked for has it. */
async function givenIn(
  pool: Pool,
  { filter: { currency, market }, step }: GainAsked,
  perDelivery: number | null,
  margins: StatedMargins | null,
): Promise<Pick<ToldGain, "given" | "isFreeDelivery">> {
  if (perDelivery === null) return { given: null, isFreeDelivery: true };
  const draft = step && (await compiledDraft(pool));
  const rewards = draft && "plan" in draft ? rewardsAt(draft.plan, { ...step, market, currency }) : [];
  const [first] = rewards;
  if (!first || !draft || !("plan" in draft)) return { given: freeDelivery(perDelivery), isFreeDelivery: true };
  const costs = await costsOf(pool, currency, margins);
  const context = { zone: null, market: first.market, currency, rates: ratesOf(draft.plan) };
  const given = givenBy(
    rewards.map(({ reward }) => reward),
    { context, perDelivery, costOf: (sku) => costs.get(sku) ?? null },
  );
  return { given, isFreeDelivery: rewards.every(({ reward }) => reward.kind === "free") };
}

/** What a piece of what is sold costs the store, at what it is sold for less the margin on it. */
async function costsOf(pool: Pool, currency: string, margins: StatedMargins | null): Promise<Map<string, number>> {
  if (!margins) return new Map();
  const { lines } = await soldIn(pool, currency);
  return new Map(
    lines.map(({ sku, unitPrice, categories = [] }) => {
      const margin = meanMargin(marginParts([{ categories, worth: unitPrice }], margins), margins.others);
      return [sku, Math.round(unitPrice * (1 - margin))];
    }),
  );
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
