import { phrase } from "../../../core/phrases/phrase.ts";
import type { Again } from "../../../core/time/stretch.ts";
import { DayField } from "../../fields/day-field.tsx";
import { NumberField } from "../../fields/number-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { WeekdaysField } from "../../fields/weekdays-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = { name: string; again: Again | undefined; onAgain: (again: Again | undefined) => void };

const EVERY = {
  "": phrase("once"),
  week: phrase("again every week"),
  month: phrase("again every month"),
  year: phrase("again every year"),
} as const;

/** How often a stretch comes again, and until when. */
export function AgainFields({ name, again, onAgain }: Props) {
  return (
    <div className="flex basis-full flex-wrap items-end gap-2">
      <SelectField<keyof typeof EVERY>
        label={say("How often {name}", { name })}
        hideLabel
        className="w-44"
        value={again?.every ?? ""}
        choices={EVERY}
        onCommit={(every) => {
          if (every === "") onAgain(undefined);
          else
            onAgain(
              every === "week" ? { ...again, every } : { ...setOptional(again ?? { every }, "days", undefined), every },
            );
        }}
      />
      {again && (
        <>
          <NumberField
            label={say("every so many (empty: 1)")}
            className="w-20"
            value={again.interval}
            leaf="offer/schedule/again/interval"
            onCommit={(interval) => onAgain({ ...again, interval })}
            onEmpty={() => onAgain(setOptional(again, "interval", undefined))}
          />
          <DayField
            label={say("starting last on (empty: for five years)")}
            className="w-32"
            value={again.until}
            leaf="offer/schedule/again/until"
            onCommit={(until) => onAgain({ ...again, until })}
            onEmpty={() => onAgain(setOptional(again, "until", undefined))}
          />
          <NumberField
            label={say("so often in all")}
            className="w-20"
            value={again.times}
            leaf="offer/schedule/again/times"
            onCommit={(times) => onAgain({ ...again, times })}
            onEmpty={() => onAgain(setOptional(again, "times", undefined))}
          />
        </>
      )}
      {again?.every === "week" && (
        <WeekdaysField
          label={say("Days it starts on; none: that of its start")}
          days={again.days ?? []}
          leaf="offer/schedule/again/days"
          onCommit={(days) => onAgain({ ...again, days })}
        />
      )}
    </div>
  );
}
