import { lazy, Suspense } from "react";
import { Loading } from "../fields/loading.tsx";
import { Popover } from "../fields/popover.tsx";
import { say, theReader } from "../language/say.ts";
import { momentWords } from "../names/moment-words.ts";

// With the calendar and what days may be: loaded when it is opened.
const MomentForm = lazy(() => import("./moment-form.tsx"));

type Props = { moment: string | null; timeZone: string; onChange: (moment: string | null) => void };

/** When it is looked at, by the market's clocks. */
export function MomentPart({ moment, timeZone, onChange }: Props) {
  return (
    <Popover label={say("Moment")} shown={shownMoment(moment)}>
      <Suspense fallback={<Loading />}>
        <MomentForm moment={moment} timeZone={timeZone} onChange={onChange} />
      </Suspense>
    </Popover>
  );
}

/** @example "Sat 28 Nov, 10:00" */
function shownMoment(moment: string | null): string {
  if (moment === null) return say("now");
  return momentWords(Date.parse(`${moment}:00Z`), "UTC", theReader().clock);
}
