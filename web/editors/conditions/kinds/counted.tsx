import { NumberField } from "../../../fields/number-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { ComparisonField } from "../comparison-field.tsx";
import { MOST } from "../line-words.ts";

/** How many orders, pieces or lines. */
export function CountedFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"orders" | "items" | "lines">>) {
  return (
    <>
      <ComparisonField value={clause.is} onIs={(is) => onClause({ ...clause, is })} />
      <NumberField
        label="How many"
        value={clause.count}
        least={0}
        most={MOST}
        onCommit={(count) => onClause({ ...clause, count })}
      />
    </>
  );
}
