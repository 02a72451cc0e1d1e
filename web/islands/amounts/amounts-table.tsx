import type { ReactNode } from "react";
import type { Amount } from "../../../core/money/amount.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { AmountCell } from "./amount-cell.tsx";
import type { Column } from "./columns.ts";

/** A row of amounts; without an amount it holds what stands in its place. */
export type AmountRow = {
  readonly key: string;
  readonly label: string;
  readonly head?: ReactNode;
  readonly amount: Amount | null;
  readonly instead?: ReactNode;
  readonly set: (amount: Amount, done: boolean) => void;
};

type Props = { plan: Plan; name: string; rows: readonly AmountRow[]; columns: readonly Column[]; onCancel: () => void };

/** Amounts down, markets and their currencies across. */
export function AmountsTable({ plan, name, rows, columns, onCancel }: Props) {
  return (
    <div className="overflow-x-auto border border-base-300 bg-base-100">
      <table aria-label={name} className="table table-sm text-[14px] [&_td]:text-[14px] [&_th]:text-[14px]">
        <thead>
          <tr className="text-[13px] text-quiet">
            <th scope="col">{name}</th>
            {columns.map(({ market, currency }) => (
              <th key={`${market.id} ${currency}`} scope="col" className="text-right">
                {market.name} <span className="block font-normal">{currency}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, label, head, amount, instead, set }) => (
            <tr key={key}>
              <th scope="row" className="font-normal">
                {head ?? label}
              </th>
              {amount === null ? (
                <td colSpan={Math.max(1, columns.length)} className="text-right text-quiet">
                  {instead}
                </td>
              ) : (
                columns.map((column) => (
                  <td key={`${column.market.id} ${column.currency}`} className="text-right">
                    <AmountCell
                      plan={plan}
                      label={label}
                      amount={amount}
                      column={column}
                      onShow={(next) => set(next, false)}
                      onCommit={(next) => set(next, true)}
                      onCancel={onCancel}
                    />
                  </td>
                ))
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
