import { say } from "../../../language/say.ts";
import { ClauseAmounts } from "../clause-amounts.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { ComparisonField } from "../comparison-field.tsx";

/** What the shopper has spent so far. */
export function TotalSpentFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"total-spent">>) {
  return (
    <>
      <ComparisonField value={clause.is} onIs={(is) => onClause({ ...clause, is })} />
      <ClauseAmounts
        name={say("Spent so far")}
        amount={clause.amount}
        onAmount={(amount) => onClause({ ...clause, amount })}
      />
    </>
  );
}
