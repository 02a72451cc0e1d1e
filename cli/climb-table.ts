import type { Climb } from "../core/climb/climb.ts";
import { formatMoney } from "../core/money/format.ts";

/** A climb as a table of text: a row for each stretch, with the prices and what remains at its start. */
export function climbTable(climb: Climb): string {
  const money = (minor: number) => formatMoney(minor, climb.currency, "en");
  const header = ["cart from", "to", ...climb.options, ...climb.steps.map(({ offer, step }) => `${offer}/${step}`)];
  const rows = climb.intervals.map(({ from, to, prices, steps }) => [
    money(from),
    money(to),
    ...prices.map((price) => (typeof price === "number" ? money(price) : price)),
    ...steps.map(({ state, remaining }) => (remaining ? `${state}, ${money(remaining.start)} short` : state)),
  ]);
  const widths = header.map((_, column) => Math.max(...[header, ...rows].map((row) => row[column]?.length ?? 0)));
  return [header, ...rows]
    .map((row) =>
      row
        .map((cell, column) => cell.padEnd(widths[column] ?? 0))
        .join("  ")
        .trimEnd(),
    )
    .join("\n");
}
