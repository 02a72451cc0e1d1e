import CalendarDays from "lucide-react/icons/calendar-days";
import { lazy, Suspense, useId, useRef, useState } from "react";
import { say } from "../language/say.ts";
import { Loading } from "./loading.tsx";
import { placePanel } from "./place-panel.ts";

// Opened rarely: loaded when it is.
const Calendar = lazy(() => import("./calendar.tsx"));

type Props = { of: string; value: string; onDay: (day: string) => void };

/** What a month takes. */
const SIZE = { width: 276, height: 340 };

/** A calendar beside a field that is typed into. */
export function PickDay({ of, value, onDay }: Props) {
  const id = useId();
  const button = useRef<HTMLButtonElement>(null);
  const panel = useRef<HTMLDialogElement>(null);
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <button
        ref={button}
        type="button"
        popoverTarget={id}
        className="btn btn-ghost btn-sm btn-square"
        title={say("Pick a day: {field}", { field: of })}
      >
        <CalendarDays size={14} aria-hidden />
        <span className="sr-only">{say("Pick a day: {field}", { field: of })}</span>
      </button>
      <dialog
        ref={panel}
        id={id}
        popover="auto"
        aria-label={say("Calendar")}
        onBeforeToggle={(event) => {
          if (event.newState === "open" && panel.current && button.current)
            placePanel(panel.current, button.current, SIZE);
        }}
        onToggle={(event) => setIsOpen(event.newState === "open")}
        className="fixed m-0 w-fit border border-base-300 bg-base-100 p-2 text-base-content shadow-lg"
      >
        {isOpen && (
          <Suspense fallback={<Loading />}>
            <Calendar
              value={value}
              onDay={(day) => {
                onDay(day);
                panel.current?.hidePopover();
              }}
            />
          </Suspense>
        )}
      </dialog>
    </>
  );
}
