import type { Pool, RowDataPacket } from "mysql2/promise";

/** Orders of one kind that are not cancelled; "" where it is not known. */
export type OrderKind = {
  readonly currency: string;
  readonly market: string;
  readonly zone: string;
  readonly channel: string;
  readonly buyer: string;
  readonly orders: number;
};

/** What orders there are: the first and last day, and how many of each kind. */
export type OrderOverview = {
  readonly first: string | null;
  readonly last: string | null;
  readonly kinds: readonly OrderKind[];
};

interface KindRow extends RowDataPacket {
  currency: string;
  market: string;
  zone: string;
  channel: string;
  buyer: string;
  orders: string;
  first: string;
  last: string;
}

/** @param counting one in which everything is rolled up */
export async function orderOverview(pool: Pool, counting: number): Promise<OrderOverview> {
  const [rows] = await pool.query<KindRow[]>(
    `SELECT currency, market, zone, channel, buyer, SUM(orders) AS orders,
       DATE_FORMAT(MIN(day), '%Y-%m-%d') AS first, DATE_FORMAT(MAX(day), '%Y-%m-%d') AS last
     FROM order_days WHERE counting = ? GROUP BY currency, market, zone, channel, buyer ORDER BY orders DESC`,
    [counting],
  );
  return {
    first: rows.map(({ first }) => first).sort()[0] ?? null,
    last:
      rows
        .map(({ last }) => last)
        .sort()
        .at(-1) ?? null,
    kinds: rows.map(({ currency, market, zone, channel, buyer, orders }) => ({
      ...{ currency, market, zone, channel, buyer },
      orders: Number(orders),
    })),
  };
}
