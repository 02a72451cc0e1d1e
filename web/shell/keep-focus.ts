import { FOCUSABLE, firstControl } from "../fields/focusable.ts";

/** Where the focus was: the control, and each part around it with its place among its siblings. */
type Held = { readonly control: HTMLElement; readonly around: readonly { parent: Element; place: number }[] };

/**
 * Keeps the focus where somebody works by keyboard. When what had it is moved, it stays on it; when it goes, or cannot be pressed any
 * more, the next control takes it, and at last the section's heading. Who presses elsewhere takes it there, or loses it as ever.
 */
export function keepFocus(): void {
  let held: Held | null = null;
  const onFocus = ({ target }: FocusEvent) => {
    held = target instanceof HTMLElement && target.closest("main") ? heldAt(target) : null;
  };
  // On the way to what is pressed nothing has the focus: brought back then, it would move the page under the press.
  const onPointer = ({ target }: PointerEvent) => {
    if (!(target instanceof Node && held?.control.contains(target))) held = null;
  };
  const observer = new MutationObserver(() => {
    if (!held || document.activeElement !== document.body) return;
    const next = nextControl(held);
    next?.focus({ preventScroll: true });
  });
  document.addEventListener("focusin", onFocus);
  document.addEventListener("pointerdown", onPointer);
  observer.observe(document.body, { childList: true, subtree: true, attributeFilter: ["disabled", "hidden"] });
}

function heldAt(control: HTMLElement): Held {
  const around: { parent: Element; place: number }[] = [];
  for (let part: Element = control; part.parentElement && !part.matches("main"); part = part.parentElement)
    around.push({ parent: part.parentElement, place: [...part.parentElement.children].indexOf(part) });
  return { control, around };
}

function nextControl({ control, around }: Held): HTMLElement | null {
  if (control.isConnected && isControl(control)) return control;
  for (const { parent, place } of around) {
    if (!parent.isConnected || !parent.checkVisibility()) continue;
    // What has come into its place, else what stands before it.
    for (const sibling of [parent.children[place], parent.children[place - 1]]) {
      const found = sibling instanceof HTMLElement && isControl(sibling) ? sibling : firstControl(sibling);
      if (found) return found;
    }
  }
  return document.querySelector<HTMLElement>("main h1");
}

const isControl = (element: HTMLElement): boolean => element.matches(FOCUSABLE) && element.checkVisibility();
