import type { ClauseEditorProps, ClauseOf } from "../clause-editor.ts";

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** Days of the week. */
export function WeekdaysFields({ clause, onClause }: ClauseEditorProps<ClauseOf<"weekdays">>) {
  return (
    <fieldset className="flex gap-2">
      <legend className="sr-only">Weekdays</legend>
      {WEEKDAYS.map((name, i) => (
        <label key={name} className="flex items-center gap-1 text-[13px]">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={clause.days.includes(i + 1)}
            onChange={(event) => {
              const days = clause.days.filter((day) => day !== i + 1);
              const next = event.target.checked ? [...days, i + 1].sort() : days;
              if (next.length > 0) onClause({ ...clause, days: next });
            }}
          />
          {name}
        </label>
      ))}
    </fieldset>
  );
}
