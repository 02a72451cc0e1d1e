/** Room left between a panel and what it belongs to, and between it and the window's edge. */
const GAP = 8;

/**
 * Puts a panel below what it belongs to and inside the window: moved to the left where it would run off, and up where what it needs at
 * least does not fit below.
 *
 * @param size its width, and the least height it is of use with
 * @param side the edge of what it belongs to that it begins at
 */
export function placePanel(
  panel: HTMLElement,
  beside: HTMLElement,
  size: { width: number; height: number },
  side: "left" | "right" = "left",
): void {
  const at = beside.getBoundingClientRect();
  const { clientWidth, clientHeight } = document.documentElement;
  const wanted = side === "left" ? at.left : at.right - size.width;
  const top = Math.max(GAP, Math.min(at.bottom + GAP, clientHeight - size.height - GAP));
  panel.style.left = `${Math.max(GAP, Math.min(wanted, clientWidth - size.width - GAP))}px`;
  panel.style.top = `${top}px`;
  panel.style.maxHeight = `${clientHeight - top - GAP}px`;
}
