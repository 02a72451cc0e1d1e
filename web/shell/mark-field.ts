import { firstControl } from "../fields/focusable.ts";
import { nearestPlace } from "../state/field-address.ts";

/** How long a field may take to be drawn, and how long it stays marked. */
const MOST_WAITED = 4000;
const MARKED_FOR = 6000;

/** Takes whoever follows a link to a field there: it is opened, scrolled to, focused and marked for a while. */
export function markField(path: string): () => void {
  const begun = performance.now();
  let frame = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const look = () => {
    const found = placeOf(path);
    if (!found) {
      if (performance.now() - begun < MOST_WAITED) frame = requestAnimationFrame(look);
      return;
    }
    // A section that has just come takes the focus to its heading first.
    timer = setTimeout(() => mark(placeOf(path) ?? found), 50);
  };
  const stop = () => {
    cancelAnimationFrame(frame);
    clearTimeout(timer);
    for (const act of ACTS) document.removeEventListener(act, stop, true);
  };
  // Who does something else meanwhile is not taken away from it.
  for (const act of ACTS) document.addEventListener(act, stop, true);
  frame = requestAnimationFrame(look);
  return stop;
}

const ACTS = ["pointerdown", "keydown"] as const;

/** The part on screen that a pointer leads to; none while the section that is asked for is on its way. */
function placeOf(path: string): HTMLElement | null {
  if (document.querySelector("main [aria-busy=true]")) return null;
  const parts = [...document.querySelectorAll<HTMLElement>("main [data-at]")].filter(
    (part) => part.checkVisibility() || part.closest("details:not([open])"),
  );
  const places = parts.flatMap((part) => part.dataset.at?.split(" ") ?? []);
  const nearest = nearestPlace(places, path);
  return parts.find((part) => part.dataset.at?.split(" ").includes(nearest ?? "\u0000")) ?? null;
}

function mark(part: HTMLElement): void {
  // Coming back here later, nothing is marked anew.
  const { pathname, hash } = window.location;
  window.history.replaceState(window.history.state, "", pathname + hash);
  for (let around = part.closest("details"); around; around = around.parentElement?.closest("details") ?? null)
    around.open = true;
  part.scrollIntoView({ block: "center" });
  firstControl(part)?.focus({ preventScroll: true });
  part.classList.add("marked-field");
  setTimeout(() => part.classList.remove("marked-field"), MARKED_FOR);
}
