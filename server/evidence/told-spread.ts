import type { Pool } from "mysql2/promise";
import type { Cluster } from "../../core/evidence/clusters.ts";
import { type Bar, barsOf, barWidth } from "../../core/evidence/histogram.ts";
import { countsOfLines, type ValueCounting } from "../../core/evidence/order-facts.ts";
import { type Proposal, proposalsOf } from "../../core/evidence/proposals.ts";
import { type Reach, reachOf } from "../../core/evidence/reach.ts";
import { meanOf, ordersIn, quantileOf, type Spread } from "../../core/evidence/spread.ts";
import { soldIn } from "../catalogue/sold.ts";
import type { OrderFilter } from "../orders/order-filter.ts";
import { releaseInForce } from "../releases/releases.ts";
import { readSpread } from "./read-spread.ts";
import { inThread } from "./worker-pool.ts";

/** Which orders, and how what they are worth is counted. */
export type OrdersAsked = { readonly filter: OrderFilter; readonly counting: ValueCounting };
export type BarsAsked = OrdersAsked & { readonly width?: number; readonly logarithmic?: boolean };

/** What is asked of a spread. Amounts in minor units. */
export type SpreadAsked = BarsAsked & {
  /** In force when the orders were made. */
  readonly goals?: readonly number[];
  /** Of which it is told how orders could get there. */
  readonly drafted?: readonly number[];
};

/** How many orders there are of which values. */
export type ToldBars = { readonly orders: number; readonly width: number; readonly bars: readonly Bar[] };

/** The spread of order values as a screen shows it. Amounts in minor units. */
export type ToldSpread = ToldBars & {
  /** Orders of which it is not known what they come to, counted so. */
  readonly uncounted: number;
  readonly mean: number | null;
  readonly median: number | null;
  readonly clusters: readonly Cluster[];
  readonly proposals: readonly Proposal[];
  readonly reach: readonly Reach[];
};

/** @param counting the number of the way of counting, in which everything is rolled up; of the others too */
export async function tellBars(pool: Pool, counting: number, asked: BarsAsked): Promise<ToldBars> {
  const { spread } = await readSpread(pool, counting, asked.filter);
  return barsIn(spread, asked);
}

function barsIn(spread: Spread, { width: wanted, logarithmic = false }: BarsAsked): ToldBars {
  const width = wanted && wanted > 0 ? wanted : barWidth(spread);
  return { orders: ordersIn(spread), width, bars: barsOf(spread, width, logarithmic) };
}

export async function tellPeaks(
  pool: Pool,
  counting: number,
  { filter }: OrdersAsked,
): Promise<{ readonly clusters: readonly Cluster[] }> {
  const { spread } = await readSpread(pool, counting, filter);
  return { clusters: await clustersIn(spread) };
}

/** They are looked for in a thread: resampling takes its time. */
const clustersIn = (spread: Spread, goals: readonly number[] = []): Promise<readonly Cluster[]> =>
  inThread({ do: "clusters", spread, goals });

export async function tellSpread(pool: Pool, counting: number, asked: SpreadAsked): Promise<ToldSpread> {
  const { filter, goals, drafted = [] } = asked;
  const { spread, uncounted } = await readSpread(pool, counting, filter);
  const clusters = await clustersIn(spread, goals);
  const { lines } = await soldIn(pool, filter.currency);
  const release = await releaseInForce(pool);
  const adds = release ? countsOfLines(release.compiled, asked.counting, filter, lines) : [];
  const cheapest = Math.min(...adds.filter((add) => add > 0));
  return {
    ...barsIn(spread, asked),
    ...{ uncounted, clusters },
    mean: meanOf(spread),
    median: quantileOf(spread, 0.5),
    proposals: proposalsOf(spread, clusters, Number.isFinite(cheapest) ? cheapest : null),
    reach: drafted.map((goal) => reachOf(spread, goal, adds)),
  };
}
