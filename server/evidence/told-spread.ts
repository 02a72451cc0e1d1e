import type { Pool } from "mysql2/promise";
import type { Cluster } from "../../core/evidence/clusters.ts";
import { type Bar, barsOf, barWidth } from "../../core/evidence/histogram.ts";
import { countsOfLines, type ValueCounting } from "../../core/evidence/order-facts.ts";
import { type Proposal, proposalsOf } from "../../core/evidence/proposals.ts";
import { type Reach, reachOf } from "../../core/evidence/reach.ts";
import { meanOf, ordersIn, quantileOf } from "../../core/evidence/spread.ts";
import { soldIn } from "../catalogue/sold.ts";
import type { OrderFilter } from "../orders/order-filter.ts";
import { releaseInForce } from "../releases/releases.ts";
import { readSpread } from "./spread.ts";
import { inThread } from "./worker-pool.ts";

/** What is asked of a spread. Amounts in minor units. */
export type SpreadAsked = {
  readonly filter: OrderFilter;
  readonly counting: ValueCounting;
  readonly width?: number;
  readonly logarithmic?: boolean;
  /** In force when the orders were made. */
  readonly goals?: readonly number[];
  /** Of which it is told how orders could get there. */
  readonly drafted?: readonly number[];
};

/** The spread of order values as a screen shows it. Amounts in minor units. */
export type ToldSpread = {
  readonly orders: number;
  /** Orders of which it is not known what they come to, counted so. */
  readonly uncounted: number;
  readonly mean: number | null;
  readonly median: number | null;
  readonly width: number;
  readonly bars: readonly Bar[];
  readonly clusters: readonly Cluster[];
  readonly proposals: readonly Proposal[];
  readonly reach: readonly Reach[];
};

/** @param counting the number of the way of counting, in which everything is rolled up */
export async function tellSpread(pool: Pool, counting: number, asked: SpreadAsked): Promise<ToldSpread> {
  const { filter, goals = [], drafted = [], logarithmic = false } = asked;
  const { spread, uncounted } = await readSpread(pool, counting, filter);
  const width = asked.width && asked.width > 0 ? asked.width : barWidth(spread);
  const clusters = spread.length > 0 ? await inThread({ do: "clusters", spread, goals }) : [];
  const { lines } = await soldIn(pool, filter.currency);
  const release = await releaseInForce(pool);
  const adds = release ? countsOfLines(release.compiled, asked.counting, filter, lines) : [];
  const cheapest = Math.min(...adds.filter((add) => add > 0));
  return {
    ...{ orders: ordersIn(spread), uncounted, width },
    mean: meanOf(spread),
    median: quantileOf(spread, 0.5),
    bars: barsOf(spread, width, logarithmic),
    clusters,
    proposals: proposalsOf(spread, clusters, Number.isFinite(cheapest) ? cheapest : null),
    reach: drafted.map((goal) => reachOf(spread, goal, adds)),
  };
}
