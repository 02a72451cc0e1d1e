import type { KeyboardEvent } from "react";
import { firstControl } from "./focusable.ts";

const DIRECTIONS: Readonly<Record<string, readonly [down: number, across: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** Whether the arrows are the control's own: it is typed into, or changed by them. */
const takesArrows = (target: EventTarget): boolean =>
  !(target instanceof HTMLElement) ||
  target.matches("input, select, textarea, [contenteditable=true], [role=slider], [role=tab]") ||
  target.isContentEditable;

/**
 * The arrow keys within a table: from the control of a cell to that of the next one in their direction that has one. In writing
 * from right to left, left is onwards.
 */
export function arrowsInTable(event: KeyboardEvent<HTMLTableElement>): void {
  const direction = DIRECTIONS[event.key];
  const cell = event.target instanceof Element ? event.target.closest("td, th") : null;
  const row = cell?.closest("tr");
  if (!direction || !row || !(cell instanceof HTMLTableCellElement) || takesArrows(event.target)) return;
  const [down, across] = direction;
  const rows = [...event.currentTarget.rows];
  const sign = getComputedStyle(event.currentTarget).direction === "rtl" ? -1 : 1;
  let [y, x] = [rows.indexOf(row) + down, cell.cellIndex + across * sign];
  for (; y >= 0 && y < rows.length && x >= 0 && x < (rows[y]?.cells.length ?? 0); y += down, x += across * sign) {
    const next = firstControl(rows[y]?.cells[x]);
    if (!next) continue;
    event.preventDefault();
    next.focus();
    return;
  }
}

/** Up and down within a list: to the first control of the entry before or after. */
export function arrowsInList(event: KeyboardEvent<HTMLElement>): void {
  const down = DIRECTIONS[event.key]?.[0] ?? 0;
  if (down === 0 || takesArrows(event.target) || !(event.target instanceof Element)) return;
  const entries = [...event.currentTarget.children];
  const target = event.target;
  let at = entries.findIndex((entry) => entry.contains(target)) + down;
  for (; at >= 0 && at < entries.length; at += down) {
    const next = firstControl(entries[at]);
    if (!next) continue;
    event.preventDefault();
    next.focus();
    return;
  }
}
