import Plus from "lucide-react/icons/plus";
import X from "lucide-react/icons/x";
import type { Windows } from "../../../core/delivery/windows.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import { freeId } from "../../../core/schema/positions.ts";
import { IconButton } from "../../fields/icon-button.tsx";
import { NumberField } from "../../fields/number-field.tsx";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { TimeField } from "../../fields/time-field.tsx";
import { WeekdaysField } from "../../fields/weekdays-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";
import { useEditing } from "../editing.ts";

type Slot = Windows["slots"][number];
type Props = { windows: Windows | undefined; onWindows: (windows: Windows | undefined) => void };

const NOWHERE = "";

const ENDS = { from: phrase("from"), until: phrase("until") } as const;

/** The windows a shopper can pick: whose clocks they go by, how early one has to order, and the hours of each. */
export function WindowsEditor({ windows, onWindows }: Props) {
  const { plan } = useEditing();
  const locations = plan.locations ?? [];
  const first = (at: string): Windows => ({
    ...{ at, lead: 120, ahead: 7 },
    slots: [{ id: "morning", days: [1, 2, 3, 4, 5], from: "09:00", until: "12:00" }],
  });
  return (
    <div className="mt-3 grid gap-2.5">
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label={say("Windows to pick from, by the clocks of")}
          className="w-56"
          value={windows?.at ?? NOWHERE}
          choices={{ [NOWHERE]: say("none are offered"), ...choicesOf(locations, ({ name, id }) => name.en ?? id) }}
          onCommit={(at) => onWindows(at === NOWHERE ? undefined : windows ? { ...windows, at } : first(at))}
        />
        {windows && (
          <>
            <NumberField
              label={say("Ordered so many minutes before")}
              className="w-24"
              value={windows.lead}
              leaf="option/windows/lead"
              onCommit={(lead) => onWindows({ ...windows, lead })}
            />
            <NumberField
              label={say("Days that are offered")}
              className="w-20"
              value={windows.ahead}
              leaf="option/windows/ahead"
              onCommit={(ahead) => onWindows({ ...windows, ahead })}
            />
          </>
        )}
      </div>
      {windows && <Slots slots={windows.slots} onSlots={(slots) => onWindows({ ...windows, slots })} />}
    </div>
  );
}

/** Each window: its days, its hours, how many orders it holds. */
function Slots({ slots, onSlots }: { slots: readonly Slot[]; onSlots: (slots: Slot[]) => void }) {
  const set = (index: number, next: Slot) => onSlots(slots.map((one, i) => (i === index ? next : one)));
  const add = () => {
    const ids = slots.map(({ id }) => id);
    onSlots([...slots, { id: freeId("window", ids), days: [1, 2, 3, 4, 5], from: "14:00", until: "18:00" }]);
  };
  return (
    <>
      <ul className="grid gap-2">
        {slots.map((slot, i) => (
          <li key={slot.id} className="flex flex-wrap items-end gap-2">
            <div className="basis-full">
              <WeekdaysField
                label={say("Days of window {number}", { number: i + 1 })}
                days={slot.days}
                leaf="option/windows/slots/days"
                onCommit={(days) => set(i, { ...slot, days })}
              />
            </div>
            {(["from", "until"] as const).map((end) => (
              <TimeField
                key={end}
                label={say(ENDS[end])}
                ariaLabel={say("Window {number} {end}", { number: i + 1, end: ENDS[end] })}
                className="w-28"
                value={slot[end]}
                leaf={`option/windows/slots/${end}`}
                rule={(time) =>
                  (end === "from" ? time < slot.until : time > slot.from)
                    ? null
                    : say("It is from {from} until {until}: it has to end later than it begins", {
                        from: slot.from,
                        until: slot.until,
                      })
                }
                onCommit={(time) => set(i, { ...slot, [end]: time })}
              />
            ))}
            <NumberField
              label={say("holds so many orders (empty: any)")}
              ariaLabel={say("Orders that window {number} holds", { number: i + 1 })}
              className="w-20"
              value={slot.holds}
              leaf="option/windows/slots/holds"
              onCommit={(holds) => set(i, { ...slot, holds })}
              onEmpty={() => set(i, setOptional(slot, "holds", undefined))}
            />
            <IconButton
              words={say("Remove window {number}", { number: i + 1 })}
              disabled={slots.length === 1}
              onClick={() => onSlots(slots.filter((one) => one.id !== slot.id))}
            >
              <X size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <button type="button" className="btn btn-sm justify-self-start" onClick={add}>
        <Plus size={14} aria-hidden /> {say("Add a window")}
      </button>
    </>
  );
}
