import CalendarDays from "lucide-react/icons/calendar-days";
import { useRef } from "react";

type Props = { of: string; value: string; onDay: (day: string) => void };

/** The browser's own calendar beside a field that is typed into. */
export function PickDay({ of, value, onDay }: Props) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <span className="relative inline-flex">
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        title={`Pick a day: ${of}`}
        onClick={() => field.current?.showPicker()}
      >
        <CalendarDays size={14} aria-hidden />
        <span className="sr-only">Pick a day: {of}</span>
      </button>
      <input
        ref={field}
        type="date"
        tabIndex={-1}
        aria-hidden
        className="pointer-events-none absolute inset-0 opacity-0"
        value={value}
        onChange={(event) => event.target.value !== "" && onDay(event.target.value)}
      />
    </span>
  );
}
