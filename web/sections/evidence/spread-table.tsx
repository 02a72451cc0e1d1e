import type { ToldSpread } from "../../../server/evidence/told-spread.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";

/** The bars as a table. */
export const SpreadTable = ({ spread: { bars, orders: all }, currency }: { spread: ToldSpread; currency: string }) => (
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
                {makersMoney(from, currency)}
              </th>
              <td>{makersMoney(to, currency)}</td>
              <td className="text-right">{orders}</td>
              <td className="text-right">{((orders / all) * 100).toFixed(1)} %</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  </details>
);
