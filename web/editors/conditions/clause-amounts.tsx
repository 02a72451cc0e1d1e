import type { Amount } from "../../../core/money/amount.ts";
import { EditedAmounts } from "../amounts/edited-amounts.tsx";

type Props = { name: string; amount: Amount; onAmount: (amount: Amount) => void };

/** The amount of a clause, everywhere it is for. */
export function ClauseAmounts({ name, amount, onAmount }: Props) {
  return (
    <EditedAmounts
      name={name}
      rows={[{ key: name, label: name, amount, set: (next, done) => done && onAmount(next) }]}
    />
  );
}
