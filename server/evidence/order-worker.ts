// The program of the threads that go through many orders: see `worker-pool.ts`.

import type { Pool } from "mysql2/promise";
import { type Cluster, clustersOf } from "../../core/evidence/clusters.ts";
import { type Gain, gainOf, pooledShare, type Share } from "../../core/evidence/gain.ts";
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
export type ReplayPart = {
  readonly do: "replay";
  readonly filter: OrderFilter;
  readonly from: number;
  readonly to: number;
  readonly now: NamedPlan;
  readonly beside: NamedPlan | null;
  readonly atItsOwnMoment: boolean;
  /** Told apart by which of these worths, the least first, they come up to. */
  readonly edges: readonly number[];
  readonly counting: ValueCounting;
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
  readonly margin: number;
  readonly perDelivery: number | null;
};
export type EstimatedGain = {
  readonly reactions: readonly Reaction[];
  readonly share: Share | null;
  readonly perDelivery: number | null;
  readonly gain: Gain | null;
};

type Results = {
  readonly "roll-up": null;
  readonly replay: Replayed;
  readonly clusters: readonly Cluster[];
  readonly gain: EstimatedGain;
};
export type OrderTask = RollUp | ReplayPart | FindClusters | EstimateGain;
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

async function replayPart({ now, beside, atItsOwnMoment, edges, counting, ...which }: ReplayPart): Promise<Replayed> {
  const compiled = compiledOf(now, atItsOwnMoment);
  const count = countingOf(compiled, counting);
  const replay = new Replay(compiled, {
    beside: beside ? compiledOf(beside, atItsOwnMoment) : undefined,
    groupOf: (order) => {
      const worth = edges.length > 0 ? count(order) : null;
      return worth === null ? null : edges.filter((edge) => worth >= edge).length;
    },
  });
  // What was written was found sound; a plan whose markets have changed may not read an order, and counts it nowhere.
  for (const { order } of await readOrders(shared(), which)) replay.add(order);
  return replay.result();
}

function estimateGain({ days, goals, candidates, stated, margin, perDelivery }: EstimateGain): EstimatedGain {
  const weeks = weeksOf(new Map(days), goals);
  const reactions = reactionsOf(weeks);
  const share = stated === null ? pooledShare(reactions) : { share: stated, low: stated, high: stated, isGuess: true };
  const known = reactions.map(({ goal }) => goal);
  const gain = share && perDelivery !== null ? gainOf(weeks, candidates, share, { margin, perDelivery }, known) : null;
  return { reactions, share, perDelivery, gain };
}
