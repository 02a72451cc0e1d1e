import { useId, useState } from "react";

type Props = {
  label: string;
  /** Said instead of the label, where a table's heads already show it. */
  ariaLabel?: string;
  value: string;
  /** What is wrong with a text, or null. */
  validate: (text: string) => string | null;
  onCommit: (text: string) => void;
  className?: string;
  placeholder?: string;
  /** Texts to choose from while typing. */
  known?: readonly string[];
  /** In a line of words instead of on a line of its own. */
  inline?: boolean;
};

/** A text kept when it is left or Enter is pressed. What is wrong stays as it was typed, and says why; Escape gives it back. */
export function TextField({ label, ariaLabel, value, validate, onCommit, className = "w-52", ...look }: Props) {
  const { placeholder, known, inline = false } = look;
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const problem = typed === null ? null : validate(typed);
  const keep = () => {
    if (typed === null || problem !== null) return;
    setTyped(null);
    if (typed !== value) onCommit(typed);
  };
  return (
    <label className={`${inline ? "inline-grid gap-0.5" : "grid gap-1"} text-[13px] text-quiet`}>
      {label}
      <input
        className={`input input-sm text-base-content ${className} ${problem ? "input-error" : ""}`}
        value={typed ?? value}
        aria-label={ariaLabel}
        placeholder={placeholder}
        list={known ? `${id}-known` : undefined}
        aria-invalid={problem !== null}
        aria-describedby={problem ? id : undefined}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          if (event.key === "Enter") keep();
          if (event.key === "Escape") setTyped(null);
        }}
      />
      {known && (
        <datalist id={`${id}-known`}>
          {known.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
      )}
      {problem && (
        <span id={id} role="alert" className="text-warning">
          {problem}
        </span>
      )}
    </label>
  );
}
