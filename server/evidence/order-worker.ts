// The program of the threads that go through many orders: see `worker-pool.ts`.

import type { Pool } from "mysql2/promise";
import { type Cluster, clustersOf } from "../../core/evidence/clusters.ts";
import { type Gain, gainOf, pooledShare, type Share, type Stakes } from "../../core/evidence/gain.ts";
import { type ListedOrder, ordersReplayed, ordersWorth, type ReplayPick } from "../../core/evidence/listed-orders.ts";
import { countingOf, type ValueCounting } from "../../core/evidence/order-facts.ts";
import type { PastGoal } from "../../core/evidence/past-goal.ts";
import { type Reaction, reactionsOf } from "../../core/evidence/reaction.ts";
import { asRunning, Replay } from "../../core/evidence/replay.ts";
import type { Replayed } from "../../core/evidence/replayed.ts";
import type { Spread } from "../../core/evidence/spread.ts";
import { weeksOf } from "../../core/evidence/weeks.ts";
import type { Calendars } from "../../core/places/location.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { problemLine } from "../../core/schema/problem.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { type DueDay, rollUpDays } from "../orders/order-days.ts";
import type { OrderFilter } from "../orders/order-filter.ts";
import { readOrders } from "../orders/read-orders.ts";

/** A plan with the holidays it is looked at with, and a name that no other plan has. */
export type NamedPlan = { readonly name: string; readonly plan: Plan; readonly calendars: Calendars };

export type RollUp = {
  readonly do: "roll-up";
  readonly counting: ValueCounting;
  readonly id: number;
  readonly days: readonly DueDay[];
};
/** Plans that orders are priced by, and what the orders are told apart by. */
export type ReplayPlans = {
  readonly now: NamedPlan;
  readonly beside: NamedPlan | null;
  readonly atItsOwnMoment: boolean;
  /** Told apart by which of these worths, the least first, they come up to. */
  readonly edges: readonly number[];
  readonly counting: ValueCounting;
};
export type ReplayPart = ReplayPlans & {
  readonly do: "replay";
  readonly filter: OrderFilter;
  readonly from: number;
  readonly to: number;
};
/** What orders a figure is made of: those of a worth, counted by the plan that `now` is, or those behind a sum of a replay. */
export type Picked =
  | { readonly by: "worth"; readonly from: number; readonly below?: number | undefined }
  | { readonly by: "replay"; readonly pick: ReplayPick };
export type ListOrders = ReplayPlans & {
  readonly do: "list";
  readonly filter: OrderFilter;
  readonly days: readonly string[];
  readonly picked: Picked;
};
export type FindClusters = { readonly do: "clusters"; readonly spread: Spread; readonly goals: readonly number[] };

export type EstimateGain = {
  readonly do: "gain";
  /** Orders by day. */
  readonly days: readonly (readonly [string, Spread])[];
  readonly goals: readonly PastGoal[];
  /** Goals that are looked at, the lowest first. */
  readonly candidates: readonly number[];
  /** A share that somebody has stated. */
  readonly stated: number | null;
  /** Null where it is not known what is gained or given. */
  readonly stakes: Stakes | null;
  /** How many shoppers go for a goal is measured where it was for free delivery. */
  readonly isFreeDelivery: boolean;
};
export type EstimatedGain = {
  readonly reactions: readonly Reaction[];
  readonly share: Share | null;
  readonly gain: Gain | null;
};

type Results = {
  readonly "roll-up": null;
  readonly replay: Replayed;
  readonly list: readonly ListedOrder[];
  readonly clusters: readonly Cluster[];
  readonly gain: EstimatedGain;
};
export type OrderTask = RollUp | ReplayPart | ListOrders | FindClusters | EstimateGain;
export type TaskResult<Task extends OrderTask> = Results[Task["do"]];

let pool: Pool | undefined;
const shared = (): Pool => {
  // One statement at a time in a thread, and one to spare.
  pool ??= openPool(databaseUrl(), 2);
  return pool;
};

/** Does one task. @throws when the database is away, or a plan does not compile */
export default async function work(task: OrderTask): Promise<Results[OrderTask["do"]]> {
  switch (task.do) {
    case "roll-up":
      return rollUp(task);
    case "replay":
      return replayPart(task);
    case "list":
      return listOrders(task);
    case "clusters":
      return clustersOf(task.spread, task.goals);
    case "gain":
      return estimateGain(task);
  }
}

async function rollUp({ counting, id, days }: RollUp): Promise<null> {
  await rollUpDays(shared(), { counting, id }, days);
  return null;
}

/** The last few plans that were asked for, compiled. */
const compiledPlans = new Map<string, CompiledPlan>();
const MOST_COMPILED = 4;

function compiledOf({ name, plan, calendars }: NamedPlan, atItsOwnMoment: boolean): CompiledPlan {
  const key = `${name} ${atItsOwnMoment}`;
  const known = compiledPlans.get(key);
  if (known) return known;
  const result = compile(atItsOwnMoment ? plan : asRunning(plan), calendars);
  if ("problems" in result) throw new Error(result.problems.map(problemLine).join("; "));
  const [oldest] = compiledPlans.keys();
  if (oldest !== undefined && compiledPlans.size >= MOST_COMPILED) compiledPlans.delete(oldest);
  compiledPlans.set(key, result.compiled);
  return result.compiled;
}

async function replayPart({ filter, from, to, ...plans }: ReplayPart): Promise<Replayed> {
  const replay = replayOf(plans);
  // What was written was found sound; a plan whose markets have changed may not read an order, and counts it nowhere.
  for (const { order } of await readOrders(shared(), { filter, from, to })) replay.add(order);
  return replay.result();
}

function replayOf({ now, beside, atItsOwnMoment, edges, counting }: ReplayPlans): Replay {
  const compiled = compiledOf(now, atItsOwnMoment);
  const count = countingOf(compiled, counting);
  return new Replay(compiled, {
    beside: beside ? compiledOf(beside, atItsOwnMoment) : undefined,
    groupOf: (order) => {
      const worth = edges.length > 0 ? count(order) : null;
      return worth === null ? null : edges.filter((edge) => worth >= edge).length;
    },
  });
}

/** The orders of some days that a figure is made of, the last written first. */
async function listOrders({ filter, days, picked, ...plans }: ListOrders): Promise<readonly ListedOrder[]> {
  const orders = (await readOrders(shared(), { days, filter })).map(({ order }) => order).reverse();
  if (picked.by === "replay") return ordersReplayed(orders, replayOf(plans), picked.pick);
  return ordersWorth(orders, countingOf(compiledOf(plans.now, plans.atItsOwnMoment), plans.counting), picked);
}

function estimateGain({ days, goals, candidates, stated, stakes, isFreeDelivery }: EstimateGain): EstimatedGain {
  const weeks = weeksOf(new Map(days), goals);
  const reactions = reactionsOf(weeks);
  const pooled = pooledShare(reactions);
  const measured = pooled && { ...pooled, isGuess: !isFreeDelivery };
  const share = stated === null ? measured : { share: stated, low: stated, high: stated, isGuess: true };
  const known = reactions.map(({ goal }) => goal);
  return { reactions, share, gain: share && stakes ? gainOf(weeks, candidates, share, stakes, known) : null };
}
