import { Fragment, useState } from "react";
import type { ChangedOrder } from "../../../core/evidence/replayed.ts";
import { optionNameOf } from "../../../core/explain/option-name.ts";
import { majorIn } from "../../../core/money/decimal.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { csvOf } from "../../fields/csv-of.ts";
import { downloadText } from "../../fields/download-text.ts";
import { TableOfThings } from "../../fields/table-of-things.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { OrderWhy } from "./order-why.tsx";

type Props = { plan: Plan; orders: readonly ChangedOrder[]; hasRelease: boolean };

/** The orders that change most: each with why, on both sides, and to be looked at as its shopper. */
export function ChangedOrders({ plan, orders, hasRelease }: Props) {
  const [opened, setOpened] = useState<string | null>(null);
  const heads = [
    say("Order"),
    say("Option"),
    say("Charged"),
    ...(hasRelease ? [say("By the release")] : []),
    say("By the draft"),
  ];
  const save = () => {
    const cells = orders.map(({ order, option, charged, beside, now, currency }) => {
      const major = (minor: number) => majorIn(minor, currency);
      return [
        order,
        optionNameOf(plan, option),
        major(charged),
        ...(hasRelease ? [beside === null ? "" : major(beside)] : []),
        major(now),
      ];
    });
    downloadText(csvOf([heads, ...cells]), "text/csv", "orders-that-change-most.csv");
  };
  return (
    <section aria-label={say("Orders that change most")} className="mt-4">
      <div className="mb-1 flex flex-wrap items-end gap-3">
        <h2 className="text-[15px] font-bold">
          {hasRelease
            ? say("Orders whose delivery changes most against the release")
            : say("Orders whose delivery changes most")}
        </h2>
        <button type="button" className="btn btn-sm ml-auto" onClick={save}>
          {say("Save as CSV")}
        </button>
      </div>
      <TableOfThings label={say("Orders that change most")} heads={heads}>
        {orders.map(({ order, option, charged, beside, now, currency }) => (
          <Fragment key={order}>
            <tr>
              <th scope="row" className="font-normal">
                {order}
              </th>
              <td>{optionNameOf(plan, option)}</td>
              <td>{makersMoney(charged, currency)}</td>
              {hasRelease && <td>{beside === null ? say("none") : makersMoney(beside, currency)}</td>}
              <td>{makersMoney(now, currency)}</td>
              <td className="text-right">
                <button
                  type="button"
                  className="btn btn-xs"
                  aria-expanded={opened === order}
                  aria-label={say("Why {order} changes", { order })}
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
        ))}
      </TableOfThings>
    </section>
  );
}
