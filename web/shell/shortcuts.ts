/** What can be done by keys alone, besides Tab, Enter, Escape and the arrows within a list or field. */
export const SHORTCUTS = [
  { keys: ["Ctrl", "Z"], does: "undo the last edit" },
  { keys: ["Ctrl", "Shift", "Z"], does: "redo it" },
  { keys: ["[", "]"], does: "on the cart value: jump to the change before or after" },
  { keys: ["←", "→"], does: "on the cart value or a goal's flag: move it" },
  { keys: ["Page Up", "Page Down"], does: "on them: move in larger steps" },
  { keys: ["?"], does: "open this list, unless it is switched off", single: true },
] as const;
