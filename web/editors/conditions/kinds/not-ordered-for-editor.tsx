import { NumberField } from "../../../fields/number-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** How long ago the last order is. */
export function NotOrderedForFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"not-ordered-for">>) {
  return (
    <NumberField
      label={say("Days")}
      value={clause.days}
      leaf="when/not-ordered-for/days"
      onCommit={(days) => onClause({ ...clause, days })}
    />
  );
}
