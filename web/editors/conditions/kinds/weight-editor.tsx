import { QuantityField, WEIGHT_UNITS } from "../../../fields/quantity-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { ComparisonField } from "../comparison-field.tsx";

/** What the cart weighs. */
export function WeightFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"weight">>) {
  return (
    <>
      <ComparisonField value={clause.is} onIs={(is) => onClause({ ...clause, is })} />
      <QuantityField
        label={say("Weight")}
        quantity={clause.weight}
        units={WEIGHT_UNITS}
        onQuantity={(weight) => onClause({ ...clause, weight })}
      />
    </>
  );
}
