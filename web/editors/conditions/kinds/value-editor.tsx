import { say } from "../../../language/say.ts";
import { BasisFields } from "../../amounts/basis-fields.tsx";
import { ClauseAmounts } from "../clause-amounts.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { ComparisonField } from "../comparison-field.tsx";

/** What the cart is worth, and on which basis. */
export function ValueFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"value">>) {
  return (
    <>
      <ComparisonField value={clause.is} onIs={(is) => onClause({ ...clause, is })} />
      <ClauseAmounts
        name={say("Cart value")}
        amount={clause.amount}
        onAmount={(amount) => onClause({ ...clause, amount })}
      />
      <BasisFields basis={clause.basis} onBasis={(basis) => onClause({ ...clause, basis })} />
    </>
  );
}
