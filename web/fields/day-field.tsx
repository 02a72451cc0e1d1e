import { PickDay } from "./pick-day.tsx";
import { isInCalendar } from "./rules.ts";
import { TextField, type TextFieldProps } from "./text-field.tsx";

type Props = Omit<TextFieldProps, "rule" | "read">;

/** A day, or a moment of one where its leaf takes that: typed, or picked from a calendar, which leaves the time as it is. */
export function DayField(props: Props) {
  const { label, ariaLabel, value = "", onCommit } = props;
  return (
    <span className="inline-flex items-end gap-0.5">
      <TextField {...props} rule={isInCalendar} />
      <PickDay
        of={ariaLabel ?? label}
        value={value.slice(0, DAY_LENGTH)}
        onDay={(day) => onCommit(`${day}${value.slice(DAY_LENGTH)}`)}
      />
    </span>
  );
}

const DAY_LENGTH = "2026-11-27".length;
