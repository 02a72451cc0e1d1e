import { lazy, Suspense } from "react";
import { Popover } from "../fields/popover.tsx";
import { say, theReader } from "../language/say.ts";

// With the calendar and what days may be: loaded when it is opened.
const MomentForm = lazy(() => import("./moment-form.tsx"));

type Props = { moment: string | null; timeZone: string; onChange: (moment: string | null) => void };

/** When it is looked at, by the market's clocks. */
export function MomentPart({ moment, timeZone, onChange }: Props) {
  return (
    <Popover label={say("Moment")} shown={momentWords(moment)}>
      <Suspense fallback={<p className="text-quiet">{say("Loading…")}</p>}>
        <MomentForm moment={moment} timeZone={timeZone} onChange={onChange} />
      </Suspense>
    </Popover>
  );
}

/** @example "Sat 28 Nov, 10:00" */
function momentWords(moment: string | null): string {
  if (moment === null) return say("now");
  const format = new Intl.DateTimeFormat(theReader().clock, {
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    timeZone: "UTC",
  });
  return format.format(new Date(`${moment}:00Z`));
}
