import { useEditing } from "../editing.ts";
import { type AmountRow, AmountsTable } from "./amounts-table.tsx";

/** Amounts of what is being edited, everywhere that it is for. */
export function EditedAmounts({ name, rows }: { name: string; rows: readonly AmountRow[] }) {
  const { plan, zones } = useEditing();
  return <AmountsTable plan={plan} name={name} rows={rows} zones={zones} />;
}
