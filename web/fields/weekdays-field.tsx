const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

type Props = {
  label: string;
  /** By ISO 8601: 1 is Monday, 7 Sunday. */
  days: readonly number[];
  onCommit: (days: number[]) => void;
};

/** Days of the week, at least one of them. */
export function WeekdaysField({ label, days, onCommit }: Props) {
  return (
    <fieldset className="flex gap-2">
      <legend className="sr-only">{label}</legend>
      {WEEKDAYS.map((name, i) => (
        <label key={name} className="flex items-center gap-1 text-[13px]">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={days.includes(i + 1)}
            onChange={(event) => {
              const others = days.filter((day) => day !== i + 1);
              const next = event.target.checked ? [...others, i + 1].sort() : others;
              if (next.length > 0) onCommit(next);
            }}
          />
          {name}
        </label>
      ))}
    </fieldset>
  );
}
