import type { Cluster } from "./clusters.ts";
import { BELOW } from "./near-goal.ts";
import { roundAbove } from "./round-amount.ts";
import { between, ordersIn, type Spread } from "./spread.ts";

/** A goal that a cluster is worth, and what speaks for it. Amounts in minor units. */
export type Proposal = {
  /** Of the cluster whose orders would have to reach it, the smallest values first. */
  readonly cluster: number;
  readonly goal: number;
  /** Orders that lie within a fifth below the goal. */
  readonly justBelow: number;
  /** What of the cheapest goods it takes to fill the gap from the cluster's peak; null where no price is known. */
  readonly pieces: number | null;
  /** Orders that reach the goal as they are, and what they were charged: given away if nobody changed. */
  readonly reaching: number;
  readonly givenAway: number;
  /** Whether the goal lies within the next cluster, whose orders would all have it for nothing. */
  readonly inNext: boolean;
};

/**
 * For every cluster that no goal has made: the first round amount above its upper end, and above what two of the cheapest goods come
 * to (common practice, no source).
 *
 * @param cheapest what the cheapest goods cost, in minor units; null where that is not known
 */
export function proposalsOf(spread: Spread, clusters: readonly Cluster[], cheapest: number | null): Proposal[] {
  return clusters.flatMap(({ peak, to, madeBy }, cluster) => {
    if (madeBy !== null) return [];
    const goal = Math.max(roundAbove(to), cheapest === null ? 0 : roundAbove(2 * cheapest - 1));
    const reaching = between(spread, goal, Number.POSITIVE_INFINITY);
    const next = clusters[cluster + 1];
    return [
      {
        ...{ cluster, goal },
        justBelow: ordersIn(between(spread, goal * BELOW, goal)),
        pieces: cheapest === null || cheapest === 0 ? null : Math.ceil((goal - peak) / cheapest),
        reaching: ordersIn(reaching),
        givenAway: reaching.reduce((sum, { charged }) => sum + charged, 0),
        inNext: next !== undefined && goal >= next.from,
      },
    ];
  });
}
