import { type Replayed, type ReplayRow, WHY_NOT_PRICED, type WhyCount } from "../core/evidence/replayed.ts";
import { makersMoney } from "../core/money/format.ts";
import { english } from "../core/phrases/speak.ts";
import { textTable } from "./text-table.ts";

const HEADS = ["zone", "option", "orders", "charged", "now", "free", "free now", "given away", "more", "less"];

/** What orders would have meant, as tables of text: a row for each zone and option, and what cannot be told. */
export function replayTable({ rows, orders, cancelled, limitsIgnored, ...rest }: Replayed): string {
  const { cannotBeTold, notToBeHad, changedMost } = rest;
  const cells = ({ currency, zone, option, now, ...row }: ReplayRow) => [
    ...[zone, option, String(now.orders), makersMoney(row.charged, currency), makersMoney(now.delivery, currency)],
    ...[String(row.freeBefore), String(now.free), makersMoney(now.givenAway, currency)],
    ...[String(row.more), String(row.less)],
  ];
  const changed = changedMost.map(({ order, option, currency, charged, now }) => [
    ...[order, option, makersMoney(charged, currency), makersMoney(now, currency)],
  ]);
  return [
    textTable([HEADS, ...rows.map(cells)]),
    [
      `orders priced: ${orders}; cancelled and left out: ${cancelled}`,
      ...(limitsIgnored > 0 ? [`as if no limited offer had been used before: ${limitsIgnored}`] : []),
      ...reasons("cannot be told", cannotBeTold),
      ...reasons("not to be had", notToBeHad),
    ].join("\n"),
    ...(changed.length > 0 ? [textTable([["changes most", "option", "charged", "now"], ...changed])] : []),
  ].join("\n\n");
}

const reasons = (what: string, counts: readonly WhyCount[]): string[] =>
  counts.map(({ why, orders }) => `${what}: ${orders}, ${english(WHY_NOT_PRICED[why])}`);
