import { WeekdaysField } from "../../../fields/weekdays-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Days of the week. */
export function WeekdaysFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"weekdays">>) {
  return (
    <WeekdaysField
      label="Weekdays"
      days={clause.days}
      leaf="when/weekdays/days"
      onCommit={(days) => onClause({ ...clause, days })}
    />
  );
}
