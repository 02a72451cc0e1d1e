import { WeekdaysField } from "../../../fields/weekdays-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Days of the week. */
export function WeekdaysFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"weekdays">>) {
  return (
    <WeekdaysField
      label={say("Weekdays")}
      days={clause.days}
      leaf="when/weekdays/days"
      onCommit={(days) => onClause({ ...clause, days })}
    />
  );
}
