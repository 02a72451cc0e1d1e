import Plus from "lucide-react/icons/plus";
import Trash2 from "lucide-react/icons/trash-2";
import type { Location } from "../../../core/places/location.ts";
import { TimeField } from "../../fields/time-field.tsx";
import { WeekdaysField } from "../../fields/weekdays-field.tsx";
import { say } from "../../language/say.ts";

type Hours = NonNullable<Location["openingHours"]>;
type Props = { hours: Hours; onHours: (hours: Hours) => void };

/** When a location is open, by its own clocks: days of the week, from one time until a later one. */
export function OpeningHours({ hours, onHours }: Props) {
  const set = (index: number, part: Partial<Hours[number]>) =>
    onHours(hours.map((one, i) => (i === index ? { ...one, ...part } : one)));
  return (
    <div>
      <h3 className="mb-1 font-semibold">{say("Opening hours")}</h3>
      <ul className="grid gap-2">
        {hours.map(({ days, from, until }, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: hours have no identity but their place in the list
          <li key={i} className="flex flex-wrap items-center gap-2">
            <WeekdaysField
              label={say("Days, row {number}", { number: i + 1 })}
              days={days}
              leaf="location/openingHours/days"
              onCommit={(next) => set(i, { days: next })}
            />
            <TimeField
              label=""
              ariaLabel={say("Opens, row {number}", { number: i + 1 })}
              className="w-26"
              value={from}
              leaf="location/openingHours/from"
              rule={(time) => (time < until ? null : say("It closes at {until}: opening is before that", { until }))}
              onCommit={(time) => set(i, { from: time })}
            />
            {say("to")}
            <TimeField
              label=""
              ariaLabel={say("Closes, row {number}", { number: i + 1 })}
              className="w-26"
              value={until}
              leaf="location/openingHours/until"
              rule={(time) => (time > from ? null : say("It opens at {from}: closing is after that", { from }))}
              onCommit={(time) => set(i, { until: time })}
            />
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              onClick={() => onHours(hours.filter((_, j) => j !== i))}
            >
              <Trash2 size={13} aria-hidden />
              <span className="sr-only">{say("Remove row {number} of the opening hours", { number: i + 1 })}</span>
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-sm mt-2"
        onClick={() => onHours([...hours, { days: [1, 2, 3, 4, 5], from: "09:00", until: "18:00" }])}
      >
        <Plus size={14} aria-hidden /> {say("Add hours")}
      </button>
    </div>
  );
}
