import { isPriceable, type PastOrder, type PlainOrder } from "./past-order.ts";
import type { Replay } from "./replay.ts";

/** Which orders of a replay a figure is made of: those that one thing is so of. */
export type ReplayPick =
  | { readonly by: "zone" | "option" | "why"; readonly is: string }
  | { readonly by: "group"; readonly is: number };

/** One of the orders that a figure is made of. Amounts in minor units of its currency; null where there is none. */
export type ListedOrder = {
  readonly order: string;
  readonly currency: string;
  readonly option: string | null;
  readonly charged: number;
  /** What it is worth, as orders are counted there. */
  readonly worth: number | null;
  readonly now: number | null;
  readonly beside: number | null;
};

type AnyOrder = PastOrder | PlainOrder;

const listed = (order: AnyOrder, worth: number | null, now: number | null, beside: number | null): ListedOrder => ({
  ...{ order: order.order, charged: order.charged, worth, now, beside },
  ...(isPriceable(order)
    ? { currency: order.request.currency, option: order.option }
    : { currency: order.currency, option: null }),
});

/** Orders whose worth lies from one amount to below another; without an upper end, all from there on. */
export function ordersWorth(
  orders: readonly AnyOrder[],
  count: (order: AnyOrder) => number | null,
  { from, below }: { readonly from: number; readonly below?: number | undefined },
): ListedOrder[] {
  return orders.flatMap((order) => {
    const worth = order.cancelled ? null : count(order);
    if (worth === null || worth < from || (below !== undefined && worth >= below)) return [];
    return [listed(order, worth, null, null)];
  });
}

/**
 * The orders behind one figure of a replay.
 *
 * @example ordersReplayed(orders, replay, { by: "zone", is: "islands" }) // [{ order: "V-1", charged: 690, now: 0, … }]
 */
export function ordersReplayed(orders: readonly AnyOrder[], replay: Replay, pick: ReplayPick): ListedOrder[] {
  return orders.flatMap((order) => {
    if (order.cancelled) return [];
    const found = replay.one(order);
    if ("problems" in found) return [];
    if ("why" in found) return pick.by === "why" && pick.is === found.why ? [listed(order, null, null, null)] : [];
    const { now, beside, group } = found;
    const is = { zone: now.zone ?? "", option: found.order.option, group, why: null }[pick.by];
    return is === pick.is ? [listed(order, null, now.price, beside?.price ?? null)] : [];
  });
}
