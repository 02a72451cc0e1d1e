import { useState } from "react";
import type { ToldSpread } from "../../../server/evidence/told-spread.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { type Looked, OrdersWorth } from "./orders-worth.tsx";

/** The bars as a table; each opens to its orders. */
export function SpreadTable({ spread: { bars, orders: all }, looked }: { spread: ToldSpread; looked: Looked }) {
  const [opened, setOpened] = useState<number | null>(null);
  const open = bars.find(({ from }) => from === opened);
  const money = (minor: number) => makersMoney(minor, looked.filter.currency);
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-[13px] text-quiet">{say("As a table")}</summary>
      <div className="mt-1 max-h-72 overflow-auto border border-base-300 bg-base-100">
        <table className="table table-xs text-[13px] [&_td]:text-[13px]" aria-label={say("The spread of order values")}>
          <thead>
            <tr className="text-quiet">
              <th scope="col">{say("From")}</th>
              <th scope="col">{say("Below")}</th>
              <th scope="col" className="text-right">
                {say("Orders")}
              </th>
              <th scope="col" className="text-right">
                {say("Of all")}
              </th>
            </tr>
          </thead>
          <tbody>
            {bars.map(({ from, to, orders }) => (
              <tr key={from}>
                <th scope="row" className="font-normal">
                  {money(from)}
                </th>
                <td>{money(to)}</td>
                <td className="text-right">
                  {orders === 0 ? (
                    orders
                  ) : (
                    <button
                      type="button"
                      className="link"
                      aria-expanded={opened === from}
                      title={say("The orders that it is made of")}
                      onClick={() => setOpened(opened === from ? null : from)}
                    >
                      {say("{count, number}", { count: orders })}
                    </button>
                  )}
                </td>
                <td className="text-right">{((orders / all) * 100).toFixed(1)} %</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {open && (
        <OrdersWorth
          {...looked}
          from={open.from}
          // The last takes what is above, too.
          {...(open === bars.at(-1) ? {} : { below: open.to })}
          label={say("{from} to {to}", { from: money(open.from), to: money(open.to) })}
        />
      )}
    </details>
  );
}
