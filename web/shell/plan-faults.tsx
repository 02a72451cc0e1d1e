import { lazy, Suspense } from "react";
import { entityKey } from "../../core/plan/entities.ts";
import { say } from "../language/say.ts";
import type { DraftState } from "../state/draft-store.ts";
import { draftStore } from "../state/use-draft.ts";

const Unreadable = lazy(() => import("./unreadable-row.tsx").then((module) => ({ default: module.UnreadableRow })));

/** What of the plan cannot be used as it stands: edits that do not hold together, and rows that cannot be read. */
export function PlanFaults({ state }: { state: DraftState }) {
  const { planProblems, draft, canUndo, unsaved } = state;
  return (
    <>
      {planProblems.length > 0 && (
        <section role="alert" className="mb-3 border border-warning bg-base-100 p-3">
          <h2 className="font-semibold text-warning">{say("This cannot be quoted yet")}</h2>
          <ul className="my-1">
            {planProblems.slice(0, 8).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
            {planProblems.length > 8 && <li>{say("and {count} more", { count: planProblems.length - 8 })}</li>}
          </ul>
          <p className="text-quiet">
            {say("What you typed is kept here. Until it is mended, the last sound plan goes on answering.")}
          </p>
          <div className="mt-2 flex gap-2">
            {canUndo && (
              <button type="button" className="btn btn-sm" onClick={() => draftStore.undo()}>
                {say("Undo the last change")}
              </button>
            )}
            {unsaved > 0 && (
              <button type="button" className="btn btn-sm" onClick={() => draftStore.takeBack()}>
                {say("Give up what is not saved")}
              </button>
            )}
          </div>
        </section>
      )}
      <Suspense>
        {(draft?.unreadable ?? []).map((broken) => (
          <Unreadable key={entityKey(broken)} broken={broken} />
        ))}
      </Suspense>
    </>
  );
}
