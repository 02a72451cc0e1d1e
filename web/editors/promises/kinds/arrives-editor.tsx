import { phrase } from "../../../../core/phrases/phrase.ts";
import { NumberField } from "../../../fields/number-field.tsx";
import { TimeField } from "../../../fields/time-field.tsx";
import { WeekdaysField } from "../../../fields/weekdays-field.tsx";
import { say } from "../../../language/say.ts";
import { setOptional } from "../../../state/set-optional.ts";
import type { PromiseFieldsProps, PromiseKindEditor, PromiseOf } from "../promise-kind-editor.ts";

/** Arrives so many working days after it was ordered. */
export const arrives: PromiseKindEditor<"arrives"> = {
  words: phrase("Arrives after working days"),
  first: (plan, location) => ({
    kind: "arrives",
    from: plan.store.shipsFrom ?? location.id,
    cutOff: "15:00",
    workingDays: [1, 2, 3, 4, 5],
    preparation: { least: 0, most: 1 },
    transit: { least: 1, most: 2 },
  }),
  lead: "from",
  place: ({ from }) => from,
  at: (promise, from) => ({ ...promise, from }),
  Fields: ArrivesFields,
};

const ENDS = {
  preparation: { least: phrase("Least preparation"), most: phrase("Most preparation") },
  transit: { least: phrase("Least transit"), most: phrase("Most transit") },
} as const;
const PARTS = { preparation: phrase("Prepared in"), transit: phrase("On its way") } as const;

function ArrivesFields({ promise, onPromise }: PromiseFieldsProps<"arrives">) {
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        {say("Orders until")}
        <TimeField
          label=""
          ariaLabel={say("Orders until")}
          className="w-28"
          value={promise.cutOff ?? ""}
          leaf="option/promise/arrives/cutOff"
          onCommit={(cutOff) => onPromise({ ...promise, cutOff })}
          onEmpty={() => onPromise(setOptional(promise, "cutOff", undefined))}
        />
        {promise.cutOff === undefined
          ? say("(no time: never) are begun the same working day:")
          : say("and that whole minute are begun the same working day:")}
        <WeekdaysField
          label={say("Working days")}
          days={promise.workingDays}
          leaf="option/promise/arrives/workingDays"
          onCommit={(workingDays) => onPromise({ ...promise, workingDays })}
        />
      </div>
      {(["preparation", "transit"] as const).map((part) => (
        <div key={part} className="flex items-center gap-2">
          <span className="w-24">{say(PARTS[part])}</span>
          <DaysField part={part} side="least" promise={promise} onPromise={onPromise} />
          {say("to")}
          <DaysField part={part} side="most" promise={promise} onPromise={onPromise} />
          {say("working days")}
        </div>
      ))}
    </>
  );
}

type DaysProps = PromiseFieldsProps<"arrives"> & { part: keyof typeof PARTS; side: "least" | "most" };

/** One end of so many days; the other goes along where it would be passed. */
function DaysField({ promise, onPromise, part, side }: DaysProps) {
  const set = (days: PromiseOf<"arrives">["transit"]) => onPromise({ ...promise, [part]: days });
  const { least, most } = promise[part];
  return (
    <NumberField
      label=""
      ariaLabel={say(ENDS[part][side])}
      className="w-20"
      value={promise[part][side]}
      leaf={`option/promise/arrives/${part}/${side}`}
      onCommit={(days) =>
        set(
          side === "least" ? { least: days, most: Math.max(days, most) } : { least: Math.min(days, least), most: days },
        )
      }
    />
  );
}
