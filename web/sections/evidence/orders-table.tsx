import { Fragment, useState } from "react";
import type { ListedOrder } from "../../../core/evidence/listed-orders.ts";
import { optionNameOf } from "../../../core/explain/option-name.ts";
import { majorIn } from "../../../core/money/decimal.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { TableOfThings } from "../../fields/table-of-things.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { OrderWhy } from "./order-why.tsx";

/** Amounts that orders are shown with, besides what was charged. */
export type OrderAmount = "worth" | "beside" | "now";

type Row = Omit<ListedOrder, "worth"> & { readonly worth?: number | null };
type Props = { plan: Plan; label: string; orders: readonly Row[]; shows: readonly OrderAmount[] };

const headsOf = (shows: readonly OrderAmount[]) => [
  say("Order"),
  say("Option"),
  ...(shows.includes("worth") ? [say("Worth")] : []),
  say("Charged"),
  ...(shows.includes("beside") ? [say("By the release")] : []),
  ...(shows.includes("now") ? [say("By the draft")] : []),
];

const amountsOf = ({ worth = null, charged, beside, now }: Row, shows: readonly OrderAmount[]) => [
  ...(shows.includes("worth") ? [worth] : []),
  charged,
  ...(shows.includes("beside") ? [beside] : []),
  ...(shows.includes("now") ? [now] : []),
];

/** The same as cells of a file. */
export const orderCells = (plan: Plan, orders: readonly Row[], shows: readonly OrderAmount[]): string[][] => [
  headsOf(shows),
  ...orders.map((row) => [
    row.order,
    row.option === null ? "" : optionNameOf(plan, row.option),
    ...amountsOf(row, shows).map((minor) => (minor === null ? "" : majorIn(minor, row.currency))),
  ]),
];

/** Orders, each with why it costs what it costs and a way to look as its shopper. */
export function OrdersTable({ plan, label, orders, shows }: Props) {
  const [opened, setOpened] = useState<string | null>(null);
  const heads = headsOf(shows);
  return (
    <TableOfThings label={label} heads={heads}>
      {orders.map((row) => {
        const { order, option, currency } = row;
        return (
          <Fragment key={order}>
            <tr>
              <th scope="row" className="font-normal">
                {order}
              </th>
              <td>{option === null ? say("not known") : optionNameOf(plan, option)}</td>
              {amountsOf(row, shows).map((minor, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: the columns stay where they are.
                <td key={i}>{minor === null ? say("none") : makersMoney(minor, currency)}</td>
              ))}
              <td className="text-right">
                <button
                  type="button"
                  className="btn btn-xs"
                  aria-expanded={opened === order}
                  aria-label={say("Why {order} costs that", { order })}
                  onClick={() => setOpened(opened === order ? null : order)}
                >
                  {say("Why")}
                </button>
              </td>
            </tr>
            {opened === order && (
              <tr>
                <td colSpan={heads.length + 1} className="whitespace-normal">
                  <OrderWhy order={order} />
                </td>
              </tr>
            )}
          </Fragment>
        );
      })}
    </TableOfThings>
  );
}
