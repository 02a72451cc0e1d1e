/** Orders of one value: how many, and what delivery was charged for them together. Amounts in minor units. */
export type SpreadPoint = { readonly value: number; readonly orders: number; readonly charged: number };

/** How order values are spread: one point for each value there is, the smallest first. */
export type Spread = readonly SpreadPoint[];

/**
 * Puts spreads together.
 *
 * @example spreadOf([{ value: 4500, orders: 1, charged: 0 }, { value: 4500, orders: 2, charged: 980 }])
 * // [{ value: 4500, orders: 3, charged: 980 }]
 */
export function spreadOf(points: Iterable<SpreadPoint>): Spread {
  const byValue = new Map<number, { value: number; orders: number; charged: number }>();
  for (const { value, orders, charged } of points) {
    const known = byValue.get(value);
    if (known) {
      known.orders += orders;
      known.charged += charged;
    } else byValue.set(value, { value, orders, charged });
  }
  return [...byValue.values()].sort((a, b) => a.value - b.value);
}

export const ordersIn = (spread: Spread): number => spread.reduce((sum, { orders }) => sum + orders, 0);

/** The mean value, rounded to the nearest minor unit; null where there is no order. */
export function meanOf(spread: Spread): number | null {
  const orders = ordersIn(spread);
  return orders === 0 ? null : Math.round(spread.reduce((sum, point) => sum + point.value * point.orders, 0) / orders);
}

/**
 * The least value that at least this share of orders does not exceed; null where there is no order.
 *
 * @example quantileOf([{ value: 10, orders: 3, charged: 0 }, { value: 20, orders: 1, charged: 0 }], 0.5) // 10
 */
export function quantileOf(spread: Spread, share: number): number | null {
  const wanted = share * ordersIn(spread);
  let passed = 0;
  for (const { value, orders } of spread) {
    passed += orders;
    if (passed >= wanted) return value;
  }
  return spread.at(-1)?.value ?? null;
}

/** The part of a spread whose values are at least `from` and below `below`. */
export const between = (spread: Spread, from: number, below: number): Spread =>
  spread.filter(({ value }) => value >= from && value < below);
