import type { Amount } from "../../../core/money/amount.ts";
import { typedAmount } from "../../../core/money/typed.ts";
import { say } from "../../language/say.ts";
import { type Column, placeOf } from "./columns.ts";
import { withAmount, withOwnAmount } from "./with-amount.ts";

type Row = { readonly key: string; readonly amount: Amount | null };

/**
 * Cells pasted from a spreadsheet into a table of amounts, from one cell on to the right and down. All of them fit, or none
 * is taken; empty cells leave what is there.
 *
 * @param text cells with tabs between, rows with line breaks
 * @example pastedCells("45\t60", rows, columns, { row: 0, column: 0 }) // { amounts: Map { "step-1" → { byCurrency: … } } }
 */
export function pastedCells(
  text: string,
  rows: readonly Row[],
  columns: readonly Column[],
  at: { row: number; column: number },
): { amounts: Map<string, Amount> } | { problems: string[] } {
  const amounts = new Map<string, Amount>();
  const problems: string[] = [];
  const lines = text.replace(/\r?\n$/, "").split(/\r?\n/);
  lines.forEach((line, r) => {
    line.split("\t").forEach((cell, c) => {
      const place = say("row {row}, column {column}", { row: r + 1, column: c + 1 });
      const [row, column] = [rows[at.row + r], columns[at.column + c]];
      if (cell.trim() === "") return;
      if (!row?.amount || !column) {
        problems.push(say("{place}: there is no amount in the table for “{cell}”", { place, cell: cell.trim() }));
        return;
      }
      const read = typedAmount(cell, column.currency);
      if ("problem" in read) problems.push(`${place}: ${say(read.problem)}`);
      else {
        const before = amounts.get(row.key) ?? row.amount;
        amounts.set(row.key, (column.zone ? withOwnAmount : withAmount)(before, placeOf(column), read.minor));
      }
    });
  });
  return problems.length > 0 ? { problems } : { amounts };
}
