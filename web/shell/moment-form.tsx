import { DAY_LENGTH, DayField } from "../fields/day-field.tsx";
import { RadioField } from "../fields/radio-field.tsx";
import { say } from "../language/say.ts";

type Props = { moment: string | null; timeZone: string; onChange: (moment: string | null) => void };

/** Now, or a moment by the market's clocks; a day alone is its noon. */
export default function MomentForm({ moment, timeZone, onChange }: Props) {
  return (
    <fieldset className="grid gap-2.5">
      <legend className="mb-1 font-semibold">{say("When")}</legend>
      <RadioField name="moment" label={say("Now")} checked={moment === null} onChoose={() => onChange(null)} />
      <DayField
        label={say("At this time in {zone}", { zone: timeZone.replaceAll("_", " ") })}
        className="w-44"
        placeholder="2026-11-28T10:00"
        value={moment ?? undefined}
        leaf="standpoint/moment"
        onCommit={(at) => onChange(at.length === DAY_LENGTH ? `${at}T12:00` : at)}
      />
    </fieldset>
  );
}
