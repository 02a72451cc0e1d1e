import type { Amount } from "../../../core/money/amount.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { type AmountRow, AmountsTable } from "../amounts/amounts-table.tsx";
import type { Column } from "../amounts/columns.ts";

type Props = {
  plan: Plan;
  name: string;
  amount: Amount;
  columns: readonly Column[];
  onAmount: (amount: Amount) => void;
};

/** The amount of a clause, per market and currency. */
export function ClauseAmounts({ plan, name, amount, columns, onAmount }: Props) {
  const row: AmountRow = { key: name, label: name, amount, set: (next, done) => done && onAmount(next) };
  return <AmountsTable plan={plan} name={name} rows={[row]} columns={columns} />;
}
