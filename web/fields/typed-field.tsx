import { useId, useState } from "react";

export type TypedFieldLook = {
  label: string;
  /** Said instead of the label, where a table's heads already show it. */
  ariaLabel?: string | undefined;
  className?: string;
  placeholder?: string;
  /** Texts to choose from while typing. */
  known?: readonly string[];
  /** In a line of words instead of on a line of its own. */
  inline?: boolean;
  /** By the text itself, where it may be in any language. */
  dir?: "auto";
};

type Props = TypedFieldLook & {
  value: string;
  /** What is wrong with a text, or null. */
  problemOf: (text: string) => string | null;
  onCommit: (text: string) => void;
};

/**
 * What every field stands on that is typed into: a text kept when it is left or Enter is pressed. What is wrong stays as it was
 * typed, and says why; Escape gives it back.
 */
export function TypedField({ label, ariaLabel, value, problemOf, onCommit, className = "w-52", ...look }: Props) {
  const { placeholder, known, inline = false, dir } = look;
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const problem = typed === null || typed === value ? null : problemOf(typed);
  const keep = (text: string | null) => {
    if (text === null || (text !== value && problemOf(text) !== null)) return;
    setTyped(null);
    if (text !== value) onCommit(text);
  };
  return (
    <span
      className={`${inline ? "inline-grid gap-0.5" : "grid gap-1"} min-w-0 max-w-full grid-cols-[minmax(0,auto)] text-[13px] text-quiet`}
    >
      {/* What is wrong describes the field, and is no part of its name. */}
      <label className="contents">
        {label}
        <input
          type="text"
          className={`input input-sm text-base-content ${className} ${problem ? "input-error" : ""}`}
          value={typed ?? value}
          aria-label={ariaLabel}
          placeholder={placeholder}
          dir={dir}
          list={known ? `${id}-known` : undefined}
          aria-invalid={problem !== null}
          aria-describedby={problem ? id : undefined}
          onChange={(event) => {
            setTyped(event.target.value);
          }}
          onBlur={() => keep(typed)}
          onKeyDown={(event) => {
            if (event.key === "Enter") keep(typed);
            if (event.key === "Escape") setTyped(null);
          }}
        />
      </label>
      {known && (
        <datalist id={`${id}-known`}>
          {known.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
      )}
      {problem && (
        <span id={id} role="alert" className="field-problem text-warning">
          {problem}
        </span>
      )}
    </span>
  );
}
