import type { Pool, RowDataPacket } from "mysql2/promise";
import type { StatedMargins } from "../../core/evidence/margin.ts";
import type { OrderFilter } from "../orders/order-filter.ts";
import type { StateFigure } from "./evidence-schema.ts";

/** All that is stated; parts of one, and minor units. */
export type StatedFigures = {
  /** Null where no margin on goods is stated. */
  readonly margin: number | null;
  readonly byCategory: Readonly<Record<string, number>>;
  readonly perDelivery: Readonly<Record<string, number>>;
  /** By {@link marketKey}. */
  readonly shares: Readonly<Record<string, number>>;
};

/** @example marketKey({ currency: "EUR", market: "portugal" }) // "EUR portugal" */
export const marketKey = ({ currency, market }: Pick<OrderFilter, "currency" | "market">): string =>
  market ? `${currency} ${market}` : currency;

interface FigureRow extends RowDataPacket {
  kind: StateFigure["kind"];
  subject: string;
  figure: number;
}

const WHOLE = 10_000;

export async function statedFigures(pool: Pool): Promise<StatedFigures> {
  const [rows] = await pool.query<FigureRow[]>(
    "SELECT kind, subject, figure FROM stated_figures ORDER BY kind, subject",
  );
  const of = (kind: StateFigure["kind"], scale: number) =>
    Object.fromEntries(rows.filter((row) => row.kind === kind).map(({ subject, figure }) => [subject, figure / scale]));
  const { "": margin, ...byCategory } = of("margin", WHOLE);
  return { margin: margin ?? null, byCategory, perDelivery: of("delivery", 1), shares: of("share", WHOLE) };
}

function subjectOf(stated: StateFigure): string {
  switch (stated.kind) {
    case "margin":
      return stated.category ?? "";
    case "delivery":
      return stated.currency;
    case "share":
      return marketKey(stated);
  }
}

/** States one figure, or takes it back. */
export async function stateFigure(pool: Pool, stated: StateFigure): Promise<void> {
  const key = [stated.kind, subjectOf(stated)];
  if (stated.figure === null) await pool.query("DELETE FROM stated_figures WHERE kind = ? AND subject = ?", key);
  else
    await pool.query(
      "INSERT INTO stated_figures (kind, subject, figure) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE figure = VALUES(figure)",
      [...key, stated.figure],
    );
}

/** The margins of a store that has stated one on its goods. */
export const marginsOf = ({ margin, byCategory }: StatedFigures): StatedMargins | null =>
  margin === null ? null : { others: margin, byCategory: new Map(Object.entries(byCategory)) };
