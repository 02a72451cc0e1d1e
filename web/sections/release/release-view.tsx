import { useMutation, useQueryClient } from "@tanstack/react-query";
import type { Plan } from "../../../core/plan/plan.ts";
import { horizonOf } from "../../../core/time/occurrences.ts";
import type { Stretch } from "../../../core/time/stretch.ts";
import type { WaitingRelease } from "../../../server/draft/read-draft.ts";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { say } from "../../language/say.ts";
import { momentOfYear } from "../../names/moment-words.ts";
import { api, problemWords } from "../../state/api.ts";
import { releasedPlan } from "../../state/released-plan.ts";
import { releaseList } from "../../state/server-queries.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { useSelected } from "../../state/use-selected.ts";
import { PlanFile } from "../plan-file/plan-file.tsx";
import { OpenedRelease } from "./opened-release.tsx";
import { PlanDifferences } from "./plan-differences.tsx";
import { ReleaseStep } from "./release-step.tsx";
import { ReleaseTable } from "./release-table.tsx";

/** What would change for shops, the step that changes it, and every release so far. */
export function ReleaseView() {
  const state = useDraft();
  const {
    market: here,
    standpoint: { currency },
  } = useStandpoint();
  const [opened] = useSelected("release");
  const client = useQueryClient();
  const releasing = useMutation({
    mutationFn: api.release,
    // What is there is read again, whether it was released or why it was not.
    onSettled: () => Promise.all([draftStore.load(), client.invalidateQueries(releaseList)]),
  });
  const { draft, plan, compiled, unsaved } = state;
  if (!draft || !plan) return null;
  const market = here ?? plan.markets[0] ?? null;
  const timeZone = market?.timeZone ?? "UTC";
  const former = releasedPlan(draft) ?? plan;
  const differences = draft.changes.map(({ kind, id, released, draft: now }) => ({
    change: now ?? { kind, id, body: null },
    before: released,
    after: now,
  }));
  const isOpened = opened !== null && /^\d+$/.test(opened);
  return (
    <div className="mx-auto max-w-[900px]">
      <SectionHeading className="text-[20px] font-bold">{say("Release")}</SectionHeading>
      <p className="mt-1 text-quiet">
        {say("Shops are answered from the release in force. The draft is only seen here.")}
      </p>
      <section aria-label={say("Changes")} className="mt-4 border border-base-300 bg-base-100 p-4">
        {differences.length === 0 ? (
          <p>
            {say("Nothing has changed since release")} {draft.release?.number}
            {say(". Change a goal in Offers, and it is listed here.")}
          </p>
        ) : (
          <PlanDifferences differences={differences} was={former} now={plan} market={market} currency={currency} />
        )}
        <Waiting waiting={draft.waiting} timeZone={timeZone} />
        {differences.length > 0 && compiled && (
          <ReleaseStep
            next={nextNumber(draft)}
            timeZone={timeZone}
            compiled={compiled}
            busy={releasing.isPending}
            unsaved={unsaved > 0}
            onRelease={(wanted, whenMade) =>
              releasing.mutate(
                { sequence: draft.sequence, ...wanted },
                { onSuccess: (made) => "number" in made && whenMade() },
              )
            }
          />
        )}
        <Horizon plan={plan} />
        {releasing.error && (
          <p role="alert" className="mt-3 text-warning">
            {say("Not released: {problem}", { problem: problemWords(releasing.error) })}
          </p>
        )}
      </section>
      <h2 className="mt-6 mb-2 font-semibold">{say("Releases")}</h2>
      <ReleaseTable timeZone={timeZone} opened={opened} />
      {isOpened && (
        <OpenedRelease key={opened} number={Number(opened)} draft={plan} market={market} currency={currency} />
      )}
      <PlanFile state={state} market={market} currency={currency} />
    </div>
  );
}

const nextNumber = ({ lastRelease }: { lastRelease: number }) => lastRelease + 1;

/** What waits replaces whatever is released before its moment: that is said where one releases. */
const Waiting = ({ waiting, timeZone }: { waiting: readonly WaitingRelease[]; timeZone: string }) =>
  waiting.length > 0 && (
    <ul aria-label={say("Releases that wait")} className="mt-3 border-l-2 border-primary pl-3 text-[13px]">
      {waiting.map(({ number, moment, isDraft }) => (
        <li key={number}>
          {say(
            "Release {number} waits until {moment}{same, select, yes {, and says what the draft says} other {}}. What is released before is replaced by it then.",
            {
              number,
              moment: momentOfYear(Date.parse(moment), timeZone),
              same: isDraft ? "yes" : "no",
            },
          )}
        </li>
      ))}
    </ul>
  );

const endless = ({ again }: Stretch) => again !== undefined && again.until === undefined && again.times === undefined;

/** How far a release works out what comes again. */
function Horizon({ plan }: { plan: Plan }) {
  const schedules = [...plan.offers, ...(plan.notices ?? [])].flatMap(({ schedule = [] }) => schedule);
  const last = schedules
    .filter(endless)
    .flatMap((stretch) => horizonOf(stretch) ?? [])
    .sort()
    .at(-1);
  return last === undefined ? null : (
    <p className="mt-3 text-[13px] text-quiet">
      {say("What comes again without an end is worked out until {last}: give it a later start before then.", { last })}
    </p>
  );
}
