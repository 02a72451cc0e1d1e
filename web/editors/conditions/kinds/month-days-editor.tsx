import { ListField } from "../../../fields/list-field.tsx";
import { say } from "../../../language/say.ts";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Days of the month. */
export function MonthDaysFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"month-days">>) {
  return (
    <ListField
      label={say("Days of the month")}
      value={clause.days.map(String)}
      leaf="when/month-days/days"
      read={Number}
      onCommit={(days) => onClause({ ...clause, days: days.map(Number) })}
    />
  );
}
