import { ListField } from "../../../fields/list-field.tsx";
import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

/** Days of the month. */
export function MonthDaysFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"month-days">>) {
  return (
    <ListField
      label="Days of the month"
      value={clause.days.map(String)}
      validate={(text) => (/^([1-9]|[12]\d|3[01])$/.test(text) ? null : `${text} is no day of a month`)}
      onCommit={(days) => days.length > 0 && onClause({ ...clause, days: days.map(Number) })}
    />
  );
}
