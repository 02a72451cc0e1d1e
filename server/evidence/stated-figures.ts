import { type Static, Type } from "@sinclair/typebox";
import type { Pool, RowDataPacket } from "mysql2/promise";
import type { StatedMargins } from "../../core/evidence/margin.ts";
import { byKindOf, CurrencyCode, closed, Id, MinorUnits } from "../../core/schema/atoms.ts";
import { Name } from "../../core/schema/identifier.ts";
import type { OrderFilter } from "../orders/order-filter.ts";

/** Hundredths of a percent, or what takes a figure back. */
const percent = Type.Union([Type.Integer({ minimum: 0, maximum: 10_000 }), Type.Null()], {
  description: "In hundredths of a percent; null takes it back",
});

/** One thing that a store says of its goods, its deliveries or its shoppers. */
export const StateFigure = byKindOf(
  "kind",
  [
    Type.Object(
      {
        kind: Type.Literal("margin"),
        category: Type.Optional({ ...Name(), description: "Of everything else when left out" }),
        figure: { ...percent, description: "Of what the goods cost, in hundredths of a percent; null takes it back" },
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal("delivery"),
        currency: CurrencyCode,
        figure: Type.Union([MinorUnits, Type.Null()], { description: "What one counts as that is given away" }),
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal("share"),
        currency: CurrencyCode,
        market: Type.Optional(Id),
        figure: { ...percent, description: "Of shoppers who go for a goal, in hundredths of a percent: a guess" },
      },
      closed,
    ),
  ],
  "StateFigure",
);
export type StateFigure = Static<typeof StateFigure>;

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
