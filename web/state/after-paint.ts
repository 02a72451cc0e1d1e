/** Runs work when the browser has drawn what is already there: an answer to a key or a drop never waits for it. */
export function afterPaint(work: () => void): void {
  requestAnimationFrame(() => setTimeout(work));
}
