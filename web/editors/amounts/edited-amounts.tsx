import { useEditing } from "../editing.ts";
import { type AmountRow, AmountsTable } from "./amounts-table.tsx";

/** Amounts of what is being edited, in every market and currency that it is for. */
export function EditedAmounts({ name, rows }: { name: string; rows: readonly AmountRow[] }) {
  const { plan, columns } = useEditing();
  return <AmountsTable plan={plan} name={name} rows={rows} columns={columns} />;
}
