import { useId, useRef, useState } from "react";
import { majorIn } from "../../../core/money/decimal.ts";
import { typedAmount } from "../../../core/money/typed.ts";
import { say } from "../../language/say.ts";

type Props = {
  label: string;
  shown: string;
  minor: number | undefined;
  currency: string;
  onShow: (minor: number) => void;
  onCommit: (minor: number) => void;
  onCancel: () => void;
  className?: string;
};

/** An amount that is edited where it stands: Enter or leaving keeps it, Escape gives it back. Rubbish stays, and says why. */
export function AmountField({ label, shown, minor, currency, onShow, onCommit, onCancel, className = "" }: Props) {
  const id = useId();
  const [text, setText] = useState<string | null>(null);
  const button = useRef<HTMLButtonElement>(null);
  const leaving = useRef(false);
  const read = text === null ? null : typedAmount(text, currency);
  const problem = read && "problem" in read ? read.problem : null;

  const close = (focus: boolean) => {
    leaving.current = true;
    setText(null);
    if (focus) requestAnimationFrame(() => button.current?.focus());
  };
  const keep = (focus: boolean) => {
    if (!read || "problem" in read) return;
    close(focus);
    onCommit(read.minor);
  };

  if (text === null) {
    return (
      <button
        ref={button}
        type="button"
        aria-label={say("{label}: {shown}. Change", { label, shown })}
        className={`min-h-6 cursor-text border-b border-dotted border-quiet bg-tint px-0.5 hover:bg-tint-strong ${className}`}
        onClick={() => {
          leaving.current = false;
          setText(minor === undefined ? "" : majorIn(minor, currency));
        }}
      >
        {shown}
      </button>
    );
  }
  return (
    <span className="relative inline-block">
      <input
        // biome-ignore lint/a11y/noAutofocus: the field replaces the button that was just pressed
        autoFocus
        aria-label={label}
        aria-invalid={problem !== null}
        aria-describedby={problem ? id : undefined}
        inputMode="decimal"
        size={Math.max(6, text.length + 1)}
        className={`border-b-2 border-primary bg-base-100 px-1 aria-invalid:border-warning ${className}`}
        value={text}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setText(event.target.value);
          const now = typedAmount(event.target.value, currency);
          if ("minor" in now) onShow(now.minor);
        }}
        onBlur={() => !leaving.current && keep(false)}
        onKeyDown={(event) => {
          if (event.key === "Enter") {
            // Or the same key press would also reach the button that comes back, and open it again.
            event.preventDefault();
            keep(true);
          }
          if (event.key === "Escape") {
            close(true);
            onCancel();
          }
        }}
      />
      {problem && (
        <span
          id={id}
          role="alert"
          className="absolute top-full left-0 z-10 mt-1 w-64 border border-warning bg-base-100 px-2 py-1 text-[13px] font-normal text-warning"
        >
          {say("{problem}. Escape gives the old amount back.", { problem })}
        </span>
      )}
    </span>
  );
}
