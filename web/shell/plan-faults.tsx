import { entityKey } from "../../core/plan/entities.ts";
import type { DraftState } from "../state/draft-store.ts";
import { draftStore } from "../state/use-draft.ts";

/** What of the plan cannot be used as it stands: edits that do not hold together, and rows that cannot be read. */
export function PlanFaults({ state }: { state: DraftState }) {
  const { planProblems, draft, canUndo, unsaved } = state;
  return (
    <>
      {planProblems.length > 0 && (
        <section role="alert" className="mb-3 border border-warning bg-base-100 p-3">
          <h2 className="font-semibold text-warning">This cannot be quoted yet</h2>
          <ul className="my-1">
            {planProblems.slice(0, 8).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
            {planProblems.length > 8 && <li>and {planProblems.length - 8} more</li>}
          </ul>
          <p className="text-quiet">
            What you typed is kept here. Until it is mended, the last sound plan goes on answering.
          </p>
          <div className="mt-2 flex gap-2">
            {canUndo && (
              <button type="button" className="btn btn-sm" onClick={() => draftStore.undo()}>
                Undo the last change
              </button>
            )}
            {unsaved > 0 && (
              <button type="button" className="btn btn-sm" onClick={() => draftStore.takeBack()}>
                Give up what is not saved
              </button>
            )}
          </div>
        </section>
      )}
      {(draft?.unreadable ?? []).map((broken) => (
        <Unreadable key={entityKey(broken)} broken={broken} />
      ))}
    </>
  );
}

type Broken = NonNullable<DraftState["draft"]>["unreadable"][number];

/** A row of the draft that fits no schema: shown as it is, to be mended as text or removed. */
function Unreadable({ broken }: { broken: Broken }) {
  const { kind, id, revision, text, problems } = broken;
  return (
    <section role="alert" className="mb-3 border border-warning bg-base-100 p-3">
      <h2 className="font-semibold text-warning">
        The {kind} “{id}” cannot be read
      </h2>
      <ul className="my-1">
        {problems.slice(0, 4).map(({ path, message }) => (
          <li key={path + message}>
            <span className="inline-block max-w-60 truncate align-bottom" title={path}>
              {path}
            </span>{" "}
            {message}
          </li>
        ))}
      </ul>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          draftStore.mend({ kind, id, revision }, String(new FormData(event.currentTarget).get("body") ?? ""));
        }}
      >
        <label className="grid gap-1 text-[13px] text-quiet">
          As it is stored
          <textarea
            name="body"
            className="textarea h-40 w-full font-mono text-[12px]"
            defaultValue={text}
            spellCheck={false}
          />
        </label>
        <div className="mt-2 flex gap-2">
          <button type="submit" className="btn btn-sm btn-neutral">
            Keep it like this
          </button>
          <button type="button" className="btn btn-sm" onClick={() => draftStore.mend({ kind, id, revision }, null)}>
            Remove it
          </button>
        </div>
      </form>
    </section>
  );
}
