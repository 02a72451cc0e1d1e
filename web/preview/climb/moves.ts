import type { KeyboardEvent } from "react";

/** How far a key moves a value: by one unit, by ten with Page keys, by the smallest unit with Shift. */
export function moveOf(event: KeyboardEvent, unit: number): number | null {
  const step = event.shiftKey ? 1 : unit;
  const moves: Record<string, number> = {
    ArrowLeft: -step,
    ArrowDown: -step,
    ArrowRight: step,
    ArrowUp: step,
    PageDown: -10 * unit,
    PageUp: 10 * unit,
  };
  return moves[event.key] ?? null;
}

/** Where a key moves a value between 0 and `to`; Home and End lead to the ends. */
export function steppedBy(event: KeyboardEvent, value: number, unit: number, to: number): number | null {
  const by = moveOf(event, unit);
  const next = event.key === "Home" ? 0 : event.key === "End" ? to : by === null ? null : value + by;
  if (next === null) return null;
  event.preventDefault();
  return Math.min(to, Math.max(0, next));
}
