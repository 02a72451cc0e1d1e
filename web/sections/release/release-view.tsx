import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Plan } from "../../../core/plan/plan.ts";
import { horizonOf } from "../../../core/time/occurrences.ts";
import type { Stretch } from "../../../core/time/stretch.ts";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { api, problemWords } from "../../state/api.ts";
import { releasedPlan } from "../../state/released-plan.ts";
import { releaseList } from "../../state/server-queries.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { PlanFile } from "../plan-file/plan-file.tsx";
import { EntityChange } from "./entity-change.tsx";

/** What would change for shops, the step that changes it, and every release so far. */
export function ReleaseView() {
  const state = useDraft();
  const {
    market,
    standpoint: { currency },
  } = useStandpoint();
  const client = useQueryClient();
  const releases = useQuery(releaseList);
  const releasing = useMutation({
    mutationFn: api.release,
    // What is there is read again, whether it was released or why it was not.
    onSettled: () => Promise.all([draftStore.load(), client.invalidateQueries(releaseList)]),
  });
  const { draft, plan, unsaved } = state;
  if (!draft || !plan) return null;
  const next = (draft.release?.number ?? 0) + 1;

  return (
    <div className="mx-auto max-w-[900px]">
      <SectionHeading className="text-[19px] font-bold">Release</SectionHeading>
      <p className="mt-1 text-quiet">Shops are answered from the latest release. The draft is only seen here.</p>
      <section aria-label="Changes" className="mt-4 border border-base-300 bg-base-100 p-4">
        {draft.changes.length === 0 ? (
          <p>
            Nothing has changed since release {draft.release?.number}. Change a goal in Offers, and it is listed here.
          </p>
        ) : (
          <ul className="space-y-3">
            {draft.changes.map((change) => (
              <EntityChange
                key={`${change.kind}/${change.id}`}
                kind={change.kind}
                before={change.released}
                after={change.draft}
                plan={plan}
                former={releasedPlan(draft) ?? plan}
                market={market ?? plan.markets[0] ?? null}
                currency={currency}
              />
            ))}
          </ul>
        )}
        {draft.changes.length > 0 && (
          <button
            type="button"
            className="btn btn-neutral mt-4"
            disabled={releasing.isPending || unsaved > 0}
            onClick={() => releasing.mutate({ sequence: draft.sequence })}
          >
            {unsaved > 0 ? "Saving the draft first…" : `Release as number ${next}`}
          </button>
        )}
        <Horizon plan={plan} />
        {releasing.error && (
          <p role="alert" className="mt-3 text-warning">
            Not released: {problemWords(releasing.error)}
          </p>
        )}
      </section>
      <h2 className="mt-6 mb-2 font-semibold">Releases</h2>
      <div className="border border-base-300 bg-base-100">
        <table className="table text-[14px]">
          <thead>
            <tr className="text-[13px] text-quiet">
              <th scope="col">Number</th>
              <th scope="col">Released</th>
              <th scope="col">By</th>
              <th scope="col">Checksum</th>
            </tr>
          </thead>
          <tbody>
            {(releases.data?.releases ?? []).map(({ number, releasedAt, releasedBy, checksum }, i) => (
              <tr key={number}>
                <th scope="row">
                  {number}
                  {i === 0 && <span className="ml-2 font-normal text-primary">what shops get</span>}
                </th>
                <td>{new Date(releasedAt).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" })}</td>
                <td>{releasedBy}</td>
                <td className="text-quiet">{checksum.slice(0, 12)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {releases.error && (
          <p role="alert" className="p-3 text-warning">
            The releases could not be loaded: {releases.error.message}
          </p>
        )}
      </div>
      <PlanFile state={state} market={market ?? plan.markets[0] ?? null} currency={currency} />
    </div>
  );
}

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
      What comes again without an end is worked out until {last}: give it a later start before then.
    </p>
  );
}
