/** What Tab stops at, as a selector. */
export const FOCUSABLE =
  "a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex='0']";

/** The first control in a part of the page that is in sight. */
export const firstControl = (part: Element | null | undefined): HTMLElement | null =>
  [...(part?.querySelectorAll<HTMLElement>(FOCUSABLE) ?? [])].find((control) => control.checkVisibility()) ?? null;
