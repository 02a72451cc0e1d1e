import { type ReactNode, useId, useRef, useState } from "react";
import { placePanel } from "./place-panel.ts";

type Props = {
  label: string;
  shown: string;
  side?: "left" | "right";
  /** Whether its words stand back behind those around them. */
  isQuiet?: boolean;
  /** A part of a sentence, or a button of its own, which is called what it shows. */
  look?: "words" | "button";
  children: ReactNode;
};

const SIZE = { width: 288, height: 160 };

/**
 * A part of a sentence that opens into a small form: the browser's own popover, which Escape and a click elsewhere close. It
 * stands below its words, and inside the window. What is in it is drawn when it is first opened.
 */
export function Popover({ label, shown, side = "left", isQuiet = false, look = "words", children }: Props) {
  const id = useId();
  const words = useRef<HTMLButtonElement>(null);
  const panel = useRef<HTMLDialogElement>(null);
  const [wasOpened, setWasOpened] = useState(false);
  return (
    <>
      <button
        ref={words}
        type="button"
        popoverTarget={id}
        aria-label={look === "button" ? label : `${label}: ${shown}`}
        className={
          look === "button"
            ? "btn btn-ghost btn-sm"
            : `cursor-pointer border-b border-dotted border-quiet ${isQuiet ? "min-h-6 text-[13px] text-quiet" : "font-semibold text-base-content"}`
        }
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
          if (panel.current && words.current) placePanel(panel.current, words.current, SIZE, side);
          setWasOpened(true);
        }}
        className="fixed m-0 w-72 overflow-y-auto border border-base-300 bg-base-100 p-4 text-left text-base font-normal text-base-content shadow-lg"
      >
        {wasOpened && children}
      </dialog>
    </>
  );
}
