import { keepPreviousData, type QueryClient, queryOptions } from "@tanstack/react-query";
import type { Cluster } from "../../core/evidence/clusters.ts";
import type { PastGoal } from "../../core/evidence/past-goal.ts";
import type { Problem } from "../../core/schema/problem.ts";
import type { StateFigure } from "../../server/evidence/evidence-schema.ts";
import type { ListedOrders, ReplayedAsked, WorthAsked } from "../../server/evidence/list-orders.ts";
import type { OrderOverview } from "../../server/evidence/order-overview.ts";
import type { OrderSample } from "../../server/evidence/order-sample.ts";
import type { ReplayAsked, ReplayState } from "../../server/evidence/replay-jobs.ts";
import type { StatedFigures } from "../../server/evidence/stated-figures.ts";
import type { GainAsked, ToldGain } from "../../server/evidence/told-gain.ts";
import type { BarsAsked, OrdersAsked, SpreadAsked, ToldBars, ToldSpread } from "../../server/evidence/told-spread.ts";
import type { CheckedPart } from "../../server/orders/import-orders.ts";
import type { OrderFilter } from "../../server/orders/order-filter.ts";
import type { StoredOrder } from "../../server/orders/read-orders.ts";
import type { Written } from "../../server/orders/write-orders.ts";
import { call } from "./api.ts";

/** What says that days of orders have to be rolled up before there is an answer, and how many. */
type Due = { readonly due: number };
export const isDue = <T extends object>(answer: T | Due): answer is Due => "due" in answer;

const ask = <T>(body: object) => call<T>("/api/evidence", body);

export type PastGoals = { readonly stated: readonly PastGoal[]; readonly released: readonly PastGoal[] };

export const evidenceApi = {
  startReplay: (asked: ReplayAsked) => ask<{ job: string }>({ do: "replay", ...asked }),
  lookAtReplay: (job: string) => ask<ReplayState>({ do: "look", job }),
  stopReplay: (job: string) => ask<object>({ do: "stop", job }),
  ordersWorth: (asked: WorthAsked) => onceRolledUp(() => ask<ListedOrders | Due>({ do: "orders-worth", ...asked })),
  ordersReplayed: (asked: ReplayedAsked) => ask<ListedOrders>({ do: "orders-replayed", ...asked }),
  stateFigure: (stated: StateFigure) => call<StatedFigures>("/api/stated-figures", stated),
  order: (order: string) => call<StoredOrder>("/api/orders/one", { order }),
  stateGoals: (goals: readonly PastGoal[]) => call<PastGoals>("/api/past-goals", { goals }),
  /** Hands on a part of a file of orders. */
  stage: (part: object) => call<object>("/api/orders/import", part),
  check: (id: string, after: string) => call<CheckedPart>("/api/orders/import", { do: "check", import: id, after }),
  write: (id: string, after: string, sound: boolean) =>
    call<Written & { after: string | null }>("/api/orders/import", { do: "write", import: id, after, sound }),
  drop: (id: string) => call<object>("/api/orders/import", { do: "drop", import: id }),
  faults: (id: string) =>
    call<{ count: number; faults: Problem[] }>(`/api/orders/faults?${new URLSearchParams({ import: id })}`),
};

/** While days are rolled up, it is asked again after so many milliseconds. */
const AGAIN = 400;
export const EVIDENCE = ["evidence"] as const;

/** The answer to a question that is asked again until the days are rolled up that it is about. */
async function onceRolledUp<T extends object>(question: () => Promise<T | Due>): Promise<T> {
  for (;;) {
    const answer = await question();
    if (!isDue(answer)) return answer;
    await new Promise((resolve) => setTimeout(resolve, AGAIN));
  }
}

/** What is told once the days that it is about are rolled up: asked again until they are. */
const rolledUp = <T extends object>(what: string, asked: object = {}) =>
  queryOptions({
    queryKey: [...EVIDENCE, what, asked],
    queryFn: () => ask<T | Due>({ do: what, ...asked }),
    refetchInterval: ({ state: { data } }) => (data && isDue(data) ? AGAIN : false),
    placeholderData: keepPreviousData,
  });

/**
 * Asks anew for what rests on something that has just changed. What is on its way was asked before: a first answer would be joined,
 * not asked for again, so it is given up.
 *
 * @param whats what is asked for; everything, where nothing is named
 */
export async function askAnew(client: QueryClient, ...whats: readonly ("spread" | "gain")[]): Promise<void> {
  const keys = whats.length === 0 ? [EVIDENCE] : whats.map((what) => [...EVIDENCE, what]);
  await Promise.all(
    keys.map(async (queryKey) => {
      await client.cancelQueries({ queryKey });
      await client.invalidateQueries({ queryKey });
    }),
  );
}

/** What orders there are. */
export const ordersKept = rolledUp<OrderOverview>("overview");

/** How the values of some orders are spread, with peaks and goals. */
export const spreadOfOrders = (asked: SpreadAsked) => rolledUp<ToldSpread>("spread", asked);

/** How many orders there are of which values. */
export const barsOfOrders = (asked: BarsAsked) => rolledUp<ToldBars>("bars", asked);

/** The peaks among some orders. */
export const peaksOfOrders = (asked: OrdersAsked) => rolledUp<{ clusters: readonly Cluster[] }>("peaks", asked);

/** What goals would bring. */
export const gainOfGoals = (asked: GainAsked) => rolledUp<ToldGain>("gain", asked);

/** Orders drawn at random; the same ones as long as the page is open. */
export const orderSample = (filter: OrderFilter) =>
  queryOptions({
    queryKey: [...EVIDENCE, "sample", filter],
    queryFn: () => ask<OrderSample>({ do: "sample", filter, most: SAMPLED }),
    staleTime: Number.POSITIVE_INFINITY,
  });
const SAMPLED = 1000;

export const pastGoals = queryOptions({
  queryKey: [...EVIDENCE, "goals"],
  queryFn: () => call<PastGoals>("/api/past-goals"),
});

export const statedFigures = queryOptions({
  queryKey: [...EVIDENCE, "figures"],
  queryFn: () => call<StatedFigures>("/api/stated-figures"),
});
