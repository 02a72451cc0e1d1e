import { useEffect } from "react";
import { draftStore } from "../state/use-draft.ts";

/** Loads the draft, looks again when the window is returned to, and gives undo and redo their keys. */
export function useDraftKeys(): void {
  useEffect(() => {
    void draftStore.load();
    const onFocus = () => void draftStore.load();
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z") return;
      // Inside a field the browser's own undo works on the text being typed.
      if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
      event.preventDefault();
      if (event.shiftKey) draftStore.redo();
      else draftStore.undo();
    };
    window.addEventListener("focus", onFocus);
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("focus", onFocus);
      window.removeEventListener("keydown", onKey);
    };
  }, []);
}
