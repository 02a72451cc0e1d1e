import { NumberField } from "../../../fields/number-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";
import { ComparisonField } from "../comparison-field.tsx";

/** How many orders, pieces or lines. */
export function CountedFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"orders" | "items" | "lines">>) {
  return (
    <>
      <ComparisonField value={clause.is} onIs={(is) => onClause({ ...clause, is })} />
      <NumberField
        label={say("How many")}
        value={clause.count}
        leaf={`when/${clause.kind}/count`}
        onCommit={(count) => onClause({ ...clause, count })}
      />
    </>
  );
}
