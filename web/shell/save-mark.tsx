import Redo2 from "lucide-react/icons/redo-2";
import Undo2 from "lucide-react/icons/undo-2";
import { IconButton } from "../fields/icon-button.tsx";
import type { DraftState } from "../state/draft-store.ts";
import { draftStore } from "../state/use-draft.ts";

/** Whether what is on screen is saved, and how far the draft is from what shops get. */
export function SaveMark({ state }: { state: DraftState }) {
  const { draft, save, unsaved, isKept, canUndo, canRedo } = state;
  const changes = draft?.changes.length ?? 0;
  const waits = unsaved === 0 ? draft?.waiting.find(({ isDraft }) => isDraft) : undefined;
  return (
    <div className="flex flex-wrap items-center gap-x-3 text-[13px]">
      <span className="flex">
        <IconButton words="Undo" title="Undo (Ctrl+Z)" disabled={!canUndo} onClick={() => draftStore.undo()}>
          <Undo2 size={15} aria-hidden />
        </IconButton>
        <IconButton words="Redo" title="Redo (Ctrl+Shift+Z)" disabled={!canRedo} onClick={() => draftStore.redo()}>
          <Redo2 size={15} aria-hidden />
        </IconButton>
      </span>
      <span role="status" aria-live="polite" className="whitespace-nowrap text-quiet">
        {save.kind === "waiting" && (
          <span className="text-warning">
            Not saved: {save.why}.{" "}
            <button type="button" className="btn btn-xs" onClick={() => draftStore.tryAgain()}>
              Try now
            </button>
          </span>
        )}
        {save.kind === "refused" && (
          <span className="text-warning">Not saved: {[save.why, ...save.lines].join("; ")}</span>
        )}
        {save.kind === "saving" && "Saving…"}
        {!isKept && (
          <span className="text-warning">This browser has no room left: what is not saved goes with a reload. </span>
        )}
        {save.kind === "saved" && (unsaved > 0 ? "Not saved yet" : draft ? "Saved" : "Loading…")}
      </span>
      {draft && (
        <span className="whitespace-nowrap text-quiet">
          {draft.release === null && !waits && "Nothing released yet"}
          {draft.release !== null && changes === 0 && `Same as release ${draft.release.number}`}
          {waits && changes > 0 && `Waits as release ${waits.number}`}
          {draft.release !== null && changes > 0 && !waits && (
            <>
              Draft, <strong className="text-warning">{changes === 1 ? "1 change" : `${changes} changes`}</strong> since
              release {draft.release.number}
            </>
          )}
        </span>
      )}
    </div>
  );
}
