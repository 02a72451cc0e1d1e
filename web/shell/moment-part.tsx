import { Popover } from "../fields/popover.tsx";
import { RadioField } from "../fields/radio-field.tsx";

type Props = { moment: string | null; timeZone: string; onChange: (moment: string | null) => void };

/** When it is looked at, by the market's clocks. */
export function MomentPart({ moment, timeZone, onChange }: Props) {
  return (
    <Popover label="Moment" shown={momentWords(moment)}>
      <fieldset className="grid gap-2.5">
        <legend className="mb-1 font-semibold">When</legend>
        <RadioField name="moment" label="Now" checked={moment === null} onChoose={() => onChange(null)} />
        <label className="grid gap-1">
          At this time in {timeZone.replaceAll("_", " ")}
          <input
            className="input input-sm w-full"
            type="datetime-local"
            value={moment ?? ""}
            min="2016-01-01T00:00"
            max="2044-12-31T23:59"
            onChange={(event) => event.target.value !== "" && onChange(event.target.value.slice(0, 16))}
          />
        </label>
      </fieldset>
    </Popover>
  );
}

/** @example "Sat 28 Nov, 10:00" */
function momentWords(moment: string | null): string {
  if (moment === null) return "now";
  const format = new Intl.DateTimeFormat("en-GB", {
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    timeZone: "UTC",
  });
  return format.format(new Date(`${moment}:00Z`));
}
