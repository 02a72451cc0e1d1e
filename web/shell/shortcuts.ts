import { phrase } from "../../core/phrases/phrase.ts";

/** What can be done by keys alone, besides Tab, Enter, Escape and the arrows within a list or field. */
export const SHORTCUTS = [
  { keys: ["Ctrl", "Z"], does: phrase("undo the last edit") },
  { keys: ["Ctrl", "Shift", "Z"], does: phrase("redo it") },
  { keys: ["[", "]"], does: phrase("on the cart value: jump to the change before or after") },
  { keys: ["←", "→"], does: phrase("on the cart value or a goal's flag: move it") },
  { keys: ["Page Up", "Page Down"], does: phrase("on them: move in larger steps") },
  { keys: ["?"], does: phrase("open this list, unless it is switched off"), single: true },
] as const;
