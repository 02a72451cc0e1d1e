import { DISTANCE_UNITS, QuantityField } from "../../../fields/quantity-field.tsx";
import { SelectField } from "../../../fields/select-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { ComparisonField } from "../comparison-field.tsx";

/** How far from a location. */
export function DistanceFields({ plan, clause, onClause }: ClauseEditorProps<ClauseOf<"distance">>) {
  return (
    <>
      <SelectField
        label={say("From")}
        value={clause.from}
        choices={Object.fromEntries((plan.locations ?? []).map(({ id, name }) => [id, name.en ?? id]))}
        onCommit={(from) => onClause({ ...clause, from })}
      />
      <ComparisonField value={clause.is} onIs={(is) => onClause({ ...clause, is })} />
      <QuantityField
        label={say("Distance")}
        quantity={clause.distance}
        units={DISTANCE_UNITS}
        onQuantity={(distance) => onClause({ ...clause, distance })}
      />
    </>
  );
}
