import { type ClipboardEvent, type ReactNode, useState } from "react";
import type { Amount } from "../../../core/money/amount.ts";
import { zonesWithOwnAmounts } from "../../../core/money/amounts-in.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { arrowsInTable } from "../../fields/arrow-keys.ts";
import { say } from "../../language/say.ts";
import { draftStore } from "../../state/use-draft.ts";
import { AmountCell } from "./amount-cell.tsx";
import { ApartFor } from "./apart-for.tsx";
import { type Column, columnKey, columnsOf } from "./columns.ts";
import { pastedCells } from "./pasted-cells.ts";

/** A row of amounts; without an amount it holds what stands in its place. */
export type AmountRow = {
  readonly key: string;
  readonly label: string;
  readonly head?: ReactNode;
  /** Where it stands in what is edited, as a JSON pointer. */
  readonly at?: string;
  readonly amount: Amount | null;
  readonly instead?: ReactNode;
  readonly set: (amount: Amount, done: boolean) => void;
};

type Props = {
  plan: Plan;
  name: string;
  rows: readonly AmountRow[];
  /** The zones the amounts are for. */
  zones: readonly string[];
  /** Several amounts at once, by the key of their row, as pasted from a spreadsheet. */
  onPasted?: (amounts: ReadonlyMap<string, Amount>) => void;
};

/** Amounts down; across, markets and their currencies, and under them the zones that have amounts of their own. */
export function AmountsTable({ plan, name, rows, zones, onPasted }: Props) {
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [opened, setOpened] = useState<readonly string[]>([]);
  const apart = new Set([...opened, ...zonesWithOwnAmounts(rows.map(({ amount }) => amount))]);
  const columns = columnsOf(plan, zones, apart);
  const paste = (event: ClipboardEvent<HTMLElement>) => {
    const cell = event.target instanceof Element ? event.target.closest("td") : null;
    const text = event.clipboardData.getData("text/plain");
    if (!onPasted || !cell || !/[\t\n]/.test(text.trim())) return;
    event.preventDefault();
    const at = { row: Number(cell.dataset.row), column: Number(cell.dataset.column) };
    const pasted = pastedCells(text, rows, columns, at);
    setProblems("problems" in pasted ? pasted.problems : []);
    if ("amounts" in pasted) onPasted(pasted.amounts);
  };
  return (
    <div className="overflow-x-auto border border-base-300 bg-base-100" onPaste={paste}>
      <table
        aria-label={name}
        className="table table-sm text-[14px] [&_td]:text-[14px] [&_th]:text-[14px]"
        onKeyDown={arrowsInTable}
      >
        <thead>
          <tr className="text-[13px] text-quiet">
            <th scope="col">{name}</th>
            {columns.map((column) => (
              <th
                key={columnKey(column)}
                scope="col"
                className={`text-right ${column.zone ? "border-l border-dotted border-base-300 font-normal" : ""}`}
              >
                {(column.zone ?? column.market).name} <span className="block font-normal">{column.currency}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, label, head, at, amount, instead, set }, row) => (
            <tr key={key} data-at={at}>
              <th scope="row" className="font-normal">
                {head ?? label}
              </th>
              {amount === null ? (
                <td colSpan={Math.max(1, columns.length)} className="text-right text-quiet">
                  {instead}
                </td>
              ) : (
                columns.map((column, number) => (
                  <td
                    key={columnKey(column)}
                    className={`text-right align-top ${column.zone ? "border-l border-dotted border-base-300" : ""}`}
                    data-row={row}
                    data-column={number}
                  >
                    <AmountCell
                      plan={plan}
                      label={label}
                      amount={amount}
                      column={column}
                      shared={isShared(columns, column)}
                      onShow={(next) => set(next, false)}
                      onCommit={(next) => set(next, true)}
                      onCancel={() => draftStore.cancel()}
                    />
                  </td>
                ))
              )}
            </tr>
          ))}
        </tbody>
      </table>
      <ApartFor plan={plan} name={name} zones={zones} apart={apart} onApart={(id) => setOpened([...opened, id])} />
      {problems.length > 0 && (
        <ul role="alert" className="border-t border-warning p-2 text-[13px] text-warning">
          {problems.slice(0, 8).map((problem) => (
            <li key={problem}>{say("Not pasted: {problem}", { problem })}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

const isShared = (columns: readonly Column[], { zone, market, currency }: Column) =>
  !zone && columns.some((other) => !other.zone && other.market.id !== market.id && other.currency === currency);
