import type { Pool, PoolConnection, ResultSetHeader, RowDataPacket } from "mysql2/promise";
import type { DeliveryOption } from "../../core/delivery/option.ts";
import { holdsOn } from "../../core/delivery/windows.ts";
import { keptBy } from "../../core/phrases/kept.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { withFields } from "../../core/request/with-fields.ts";
import { dayOf } from "../../core/time/day.ts";
import { DAY, instantOf } from "../../core/time/instant.ts";

export type ClaimedWindow = NonNullable<QuoteRequest["window"]>;
export type WindowRefusal = { option: string; reason: "no-such-window" | "window-full" };

interface ClaimRow extends RowDataPacket {
  option_id: string;
  slot: string;
  day: string;
}

const CLAIM = "SELECT option_id, slot, DATE_FORMAT(day, '%Y-%m-%d') AS day FROM window_claims WHERE order_id = ?";

/**
 * Claims a window for an order, within the transaction of its claim: asked again it is the same; another window takes the place of
 * the one before.
 *
 * @returns why it cannot be had; the caller rolls back then
 */
export async function claimWindow(
  connection: PoolConnection,
  options: readonly DeliveryOption[],
  order: string,
  window: ClaimedWindow,
): Promise<WindowRefusal | null> {
  const { option, slot, day } = window;
  const windows = options.find(({ id }) => id === option)?.windows;
  const holds = windows ? holdsOn(windows, slot, day) : null;
  if (holds === null) return { option, reason: "no-such-window" };
  const [[known]] = await connection.execute<ClaimRow[]>(`${CLAIM} FOR UPDATE`, [order]);
  if (known && known.option_id === option && known.slot === slot && known.day === day) return null;
  if (known) await countDown(connection, known);
  await connection.execute(
    "INSERT INTO window_counts (option_id, slot, day, orders) VALUES (?, ?, ?, 0) ON DUPLICATE KEY UPDATE orders = orders",
    [option, slot, day],
  );
  const [updated] = await connection.execute<ResultSetHeader>(
    "UPDATE window_counts SET orders = orders + 1 WHERE option_id = ? AND slot = ? AND day = ? AND orders < ?",
    [option, slot, day, Number.isFinite(holds) ? holds : UNLIMITED],
  );
  if (updated.affectedRows === 0) return { option, reason: "window-full" };
  await connection.execute(
    `INSERT INTO window_claims (order_id, option_id, slot, day, claimed_at) VALUES (?, ?, ?, ?, UTC_TIMESTAMP(3))
     ON DUPLICATE KEY UPDATE option_id = VALUES(option_id), slot = VALUES(slot), day = VALUES(day), claimed_at = VALUES(claimed_at)`,
    [order, option, slot, day],
  );
  return null;
}
const UNLIMITED = 4_000_000_000;

const countDown = (connection: PoolConnection, { option_id, slot, day }: ClaimRow) =>
  connection.execute("UPDATE window_counts SET orders = orders - 1 WHERE option_id = ? AND slot = ? AND day = ?", [
    option_id,
    slot,
    day,
  ]);

/** Gives back the window of an order; without one nothing happens. */
export async function giveBackWindow(connection: PoolConnection, order: string): Promise<void> {
  const [[known]] = await connection.execute<ClaimRow[]>(`${CLAIM} FOR UPDATE`, [order]);
  if (!known) return;
  await countDown(connection, known);
  await connection.execute("DELETE FROM window_claims WHERE order_id = ?", [order]);
}

interface BookedRow extends ClaimRow {
  orders: number;
}

/** Orders that windows hold on a day. */
export type Booked = NonNullable<QuoteRequest["booked"]>;

/** What windows hold by the ledger, from a day on, or from it to another. Days are YYYY-MM-DD. */
export async function bookedFrom(pool: Pool, day: string, until = "9999-12-31"): Promise<Booked> {
  const [rows] = await pool.query<BookedRow[]>(
    `SELECT option_id, slot, DATE_FORMAT(day, '%Y-%m-%d') AS day, orders FROM window_counts
     WHERE day BETWEEN ? AND ? AND orders > 0 ORDER BY option_id, slot, day`,
    [day, until],
  );
  return rows.map(({ option_id: option, slot, day: on, orders }) => ({ option, slot, day: on, orders }));
}

/** Every quote asks a release for them. */
const optionsThatFill = keptBy(({ options }: Pick<Plan, "options">) =>
  options.filter(({ windows }) => windows?.slots.some(({ holds }) => holds)),
);

/** The options whose windows can be full, and of which the request tells nothing itself. */
export function optionsBooked(plan: Pick<Plan, "options">, { booked }: QuoteRequest): readonly DeliveryOption[] {
  const filling = optionsThatFill(plan);
  return booked ? filling.filter(({ id }) => !booked.some(({ option }) => option === id)) : filling;
}

/** A day before a request's: clocks of a location may still show it. */
export const dayBefore = ({ at }: Pick<QuoteRequest, "at">): string => dayOf(instantOf(at) - DAY);

/** The last day that a window of an option can be on for a request, by the clocks of any location. @param counted see `optionsBooked` */
export const lastDay = (counted: readonly DeliveryOption[], { at }: Pick<QuoteRequest, "at">): string =>
  dayOf(instantOf(at) + Math.max(0, ...counted.map(({ windows }) => windows?.ahead ?? 0)) * DAY);

/** The request with what the windows of options hold. @param counted see `optionsBooked` */
export function withBooked(request: QuoteRequest, counted: readonly DeliveryOption[], booked: Booked): QuoteRequest {
  if (counted.length === 0) return request;
  if (booked.length === 0) return request;
  const [from, ids] = [dayBefore(request), new Set(counted.map(({ id }) => id))];
  const here = booked.filter(({ option, day }) => day >= from && ids.has(option));
  return here.length === 0 ? request : withFields(request, { booked: [...(request.booked ?? []), ...here] });
}

/**
 * Every window that can be full is, on the days before a day, as far as the request's options look ahead.
 *
 * @param day YYYY-MM-DD
 * @param counted see `optionsBooked`
 */
export function fullBefore(day: string, counted: readonly DeliveryOption[], { at }: Pick<QuoteRequest, "at">): Booked {
  return counted.flatMap(({ id: option, windows }) => {
    // From the day before to the day after by UTC: clocks of a location may show either.
    const days = Array.from({ length: (windows?.ahead ?? 0) + 2 }, (_, i) => dayOf(instantOf(at) + (i - 1) * DAY));
    return days
      .filter((on) => on < day)
      .flatMap((on) =>
        (windows?.slots ?? []).flatMap(({ id: slot, holds }) =>
          holds === undefined ? [] : [{ option, slot, day: on, orders: holds }],
        ),
      );
  });
}
