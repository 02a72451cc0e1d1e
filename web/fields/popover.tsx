import { type ReactNode, useId, useRef, useState } from "react";

type Props = {
  label: string;
  shown: string;
  side?: "left" | "right";
  /** Whether its words stand back behind those around them. */
  isQuiet?: boolean;
  children: ReactNode;
};

/** Room left between the panel and the words, and between the panel and the window's edge. */
const GAP = 8;
const WIDTH = 288;

/**
 * A part of a sentence that opens into a small form: the browser's own popover, which Escape and a click elsewhere close. It
 * stands below its words, and inside the window. What is in it is drawn when it is first opened.
 */
export function Popover({ label, shown, side = "left", isQuiet = false, children }: Props) {
  const id = useId();
  const words = useRef<HTMLButtonElement>(null);
  const panel = useRef<HTMLDialogElement>(null);
  const [wasOpened, setWasOpened] = useState(false);
  const place = () => {
    const { current: element } = panel;
    const at = words.current?.getBoundingClientRect();
    if (!element || !at) return;
    const wanted = side === "left" ? at.left : at.right - WIDTH;
    const left = Math.max(GAP, Math.min(wanted, document.documentElement.clientWidth - WIDTH - GAP));
    element.style.left = `${left}px`;
    element.style.top = `${at.bottom + GAP}px`;
    element.style.maxHeight = `${Math.max(160, window.innerHeight - at.bottom - 2 * GAP)}px`;
  };
  return (
    <>
      <button
        ref={words}
        type="button"
        popoverTarget={id}
        aria-label={`${label}: ${shown}`}
        className={`cursor-pointer border-b border-dotted border-quiet ${isQuiet ? "min-h-6 text-[13px] text-quiet" : "font-semibold text-base-content"}`}
      >
        {shown}
      </button>
      <dialog
        ref={panel}
        id={id}
        popover="auto"
        aria-label={label}
        onBeforeToggle={(event) => {
          if (event.newState !== "open") return;
          place();
          setWasOpened(true);
        }}
        className="fixed m-0 w-72 overflow-y-auto border border-base-300 bg-base-100 p-4 text-left text-base font-normal text-base-content shadow-lg"
      >
        {wasOpened && children}
      </dialog>
    </>
  );
}
