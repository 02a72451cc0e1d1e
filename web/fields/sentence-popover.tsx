import { type ReactNode, useEffect, useRef } from "react";

type Props = { label: string; shown: string; side?: "left" | "right"; children: ReactNode };

/** A part of the standpoint's sentence that opens into a small form. Escape and a click elsewhere close it. */
export function SentencePopover({ label, shown, side = "left", children }: Props) {
  const details = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    const close = (event: Event) => {
      const { current } = details;
      if (!current?.open) return;
      const outside = event.target instanceof Node && !current.contains(event.target);
      if (event instanceof KeyboardEvent ? event.key !== "Escape" : !outside) return;
      current.open = false;
      if (event instanceof KeyboardEvent) current.querySelector("summary")?.focus();
    };
    document.addEventListener("keydown", close);
    document.addEventListener("pointerdown", close);
    return () => {
      document.removeEventListener("keydown", close);
      document.removeEventListener("pointerdown", close);
    };
  }, []);
  return (
    <details ref={details} className="relative inline-block">
      <summary
        aria-label={`${label}: ${shown}`}
        className="cursor-pointer list-none border-b border-dotted border-quiet font-semibold text-base-content"
      >
        {shown}
      </summary>
      <div
        className={`absolute top-full ${side === "left" ? "left-0" : "right-0"} z-30 mt-2 w-72 border border-base-300 bg-base-100 p-4 text-base-content shadow-lg`}
      >
        {children}
      </div>
    </details>
  );
}
