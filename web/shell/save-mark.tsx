import Redo2 from "lucide-react/icons/redo-2";
import Undo2 from "lucide-react/icons/undo-2";
import { IconButton } from "../fields/icon-button.tsx";
import { say } from "../language/say.ts";
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
        <IconButton
          words={say("Undo")}
          title={say("Undo (Ctrl+Z)")}
          disabled={!canUndo}
          onClick={() => draftStore.undo()}
        >
          <Undo2 size={15} aria-hidden />
        </IconButton>
        <IconButton
          words={say("Redo")}
          title={say("Redo (Ctrl+Shift+Z)")}
          disabled={!canRedo}
          onClick={() => draftStore.redo()}
        >
          <Redo2 size={15} aria-hidden />
        </IconButton>
      </span>
      <span role="status" aria-live="polite" className="whitespace-nowrap text-quiet">
        {save.kind === "waiting" && (
          <span className="text-warning">
            {say("Not saved: {why}.", { why: save.why })}{" "}
            <button type="button" className="btn btn-xs" onClick={() => draftStore.tryAgain()}>
              {say("Try now")}
            </button>
          </span>
        )}
        {save.kind === "refused" && (
          <span className="text-warning">{say("Not saved: {why}", { why: [save.why, ...save.lines].join("; ") })}</span>
        )}
        {save.kind === "saving" && say("Saving…")}
        {!isKept && (
          <span className="text-warning">
            {say("This browser has no room left: what is not saved goes with a reload.")}{" "}
          </span>
        )}
        {save.kind === "saved" && (unsaved > 0 ? say("Not saved yet") : draft ? say("Saved") : say("Loading…"))}
      </span>
      {draft && (
        <span className="whitespace-nowrap text-quiet">
          {draft.release === null && !waits && say("Nothing released yet")}
          {draft.release !== null && changes === 0 && say("Same as release {number}", { number: draft.release.number })}
          {waits && changes > 0 && say("Waits as release {number}", { number: waits.number })}
          {draft.release !== null && changes > 0 && !waits && (
            <>
              {say("Draft,")}{" "}
              <strong className="text-warning">
                {changes === 1 ? say("1 change") : say("{changes} changes", { changes })}
              </strong>{" "}
              {say("since release {number}", { number: draft.release.number })}
            </>
          )}
        </span>
      )}
    </div>
  );
}
