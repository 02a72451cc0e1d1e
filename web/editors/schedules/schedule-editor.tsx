import Trash2 from "lucide-react/icons/trash-2";
import { DAY } from "../../../core/time/instant.ts";
import { isLocal } from "../../../core/time/local.ts";
import { localMoment } from "../../../core/time/local-moment.ts";
import { horizonOf, occurrences } from "../../../core/time/occurrences.ts";
import type { Schedule, Stretch } from "../../../core/time/stretch.ts";
import { zoneClock } from "../../../core/time/zone-clock.ts";
import { DayField } from "../../fields/day-field.tsx";
import { say, sayValue } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";
import { AgainFields } from "./again-fields.tsx";

type Props = {
  /** What is said while there is no schedule. */
  always: string;
  schedule: Schedule | undefined;
  timeZones: readonly string[];
  onSchedule: (schedule: Schedule | undefined) => void;
};

const LABELS = { from: () => say("From"), until: () => say("Until, a day included") };

/** When something holds, by the clocks of its markets, with what daylight saving makes of it. */
export function ScheduleEditor({ always, schedule = [], timeZones, onSchedule }: Props) {
  const set = (next: Stretch[]) => onSchedule(next.length > 0 ? next : undefined);
  // Of several it is said which one a field belongs to.
  const nameOf = (side: keyof typeof LABELS, number: number) =>
    schedule.length > 1 ? say("{label}, stretch {number}", { label: LABELS[side](), number }) : undefined;
  const setSide = (index: number, side: "from" | "until", local: string | undefined) =>
    set(schedule.map((one, i) => (i === index ? setOptional(one, side, local) : one)));
  return (
    <div className="grid gap-2">
      {schedule.length === 0 && <p className="text-quiet">{always}</p>}
      <ul className="grid gap-2">
        {schedule.map((stretch, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: stretches have no identity but their place
          <li key={i} className="flex flex-wrap items-end gap-2">
            {(["from", "until"] as const).map((side) => (
              <DayField
                key={side}
                label={LABELS[side]()}
                ariaLabel={nameOf(side, i + 1)}
                value={stretch[side]}
                {...(side === "from" ? { before: stretch.until } : { after: stretch.from })}
                leaf={`offer/schedule/${side}`}
                onCommit={(local) => setSide(i, side, local)}
                onEmpty={() => setSide(i, side, undefined)}
              />
            ))}
            <button
              type="button"
              className="btn btn-ghost btn-sm"
              onClick={() => set(schedule.filter((_, j) => j !== i))}
            >
              <Trash2 size={14} aria-hidden />
              <span className="sr-only">{say("Remove stretch {number}", { number: i + 1 })}</span>
            </button>
            <AgainFields
              name={say("stretch {number} comes", { number: i + 1 })}
              again={stretch.again}
              onAgain={(again) => set(schedule.map((one, j) => (j === i ? setOptional(one, "again", again) : one)))}
            />
            <ul className="basis-full text-[13px] text-quiet">
              {timeZones.map((timeZone) => (
                <li key={timeZone}>{stretchWords(stretch, timeZone)}</li>
              ))}
            </ul>
            {stretch.again && <ComesAgain stretch={stretch} />}
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        onClick={() => set([...schedule, { from: dayIn(1), until: dayIn(7) }])}
      >
        {say("Add a stretch of time")}
      </button>
    </div>
  );
}

/** So many starts are named; the rest are told by their number. */
const NAMED = 4;

/** When it starts again, and how far that is worked out. */
function ComesAgain({ stretch }: { stretch: Stretch }) {
  const found = occurrences(stretch);
  const starts = found.slice(0, NAMED).map(({ from = "" }) => from.replace("T", " "));
  const more = found.length - starts.length;
  return (
    <p className="basis-full text-[13px] text-quiet">
      {stretch.from && stretch.until
        ? say(
            "Starts {starts}{more, plural, =0 {} one { and once more} other { and # times more}}, worked out until {horizon}.",
            {
              starts: starts.join(", "),
              more,
              horizon: horizonOf(stretch) ?? "",
            },
          )
        : say("It needs a start and an end to come again.")}
    </p>
  );
}

/** @example "Lisbon: Fri 27 Nov 2026, 00:00 (UTC+0) to Tue 1 Dec 2026, 00:00 (UTC+0)" */
function stretchWords({ from, until }: Stretch, timeZone: string): string {
  const place = timeZone.split("/").at(-1)?.replaceAll("_", " ") ?? timeZone;
  const ends = [from && momentWords(from, timeZone, "start"), until && momentWords(until, timeZone, "end")];
  const valid = (local: string | undefined) => local === undefined || isLocal(local);
  if (!valid(from) || !valid(until)) return place;
  return say("{place}: {start} to {end}", { place, start: ends[0] ?? say("always"), end: ends[1] ?? say("no end") });
}

function momentWords(local: string, timeZone: string, side: "start" | "end"): string {
  const { at, clocks } = localMoment(local, timeZone, side);
  const shown = sayValue({
    moment: at,
    options: {
      weekday: "short",
      day: "numeric",
      month: "short",
      year: "numeric",
      hour: "2-digit",
      minute: "2-digit",
      timeZone,
    },
  });
  const { day, minute } = zoneClock(timeZone)(at);
  const offset = Math.round(day * 1440 + minute - at / 60_000);
  const hours = `UTC${offset < 0 ? "−" : "+"}${Math.floor(Math.abs(offset) / 60)}${offset % 60 === 0 ? "" : `:${String(Math.abs(offset) % 60).padStart(2, "0")}`}`;
  const note = {
    plain: "",
    skipped: say(", since clocks go forward over the time written"),
    doubled: say(", the {part} of two, since clocks go back", {
      part: side === "start" ? say("first") : say("second"),
    }),
  }[clocks];
  return `${shown} (${hours}${note})`;
}

/** A day from today on, as ISO 8601 writes it. @example dayIn(1) // tomorrow */
const dayIn = (days: number) => new Date(Date.now() + days * DAY).toISOString().slice(0, 10);
