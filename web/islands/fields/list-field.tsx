import { useId, useState } from "react";

type Props = {
  label: string;
  value: readonly string[];
  onValue: (list: string[]) => void;
  /** What is wrong with one entry, or null. */
  wrong?: (entry: string) => string | null;
  placeholder?: string;
  className?: string;
  /** Names to choose from while typing. */
  known?: readonly string[];
};

/** A list of short texts with commas between; kept when it is left. An empty list, or a wrong entry, stays and says why. */
export function ListField({ label, value, onValue, wrong, placeholder, className = "w-56", known }: Props) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const entries = typed === null ? null : listOf(typed);
  const problem = entries && (entries.map((entry) => wrong?.(entry) ?? null).find((found) => found !== null) ?? null);
  const keep = () => {
    if (!entries || problem) return;
    setTyped(null);
    if (entries.join("\n") !== value.join("\n")) onValue(entries);
  };
  return (
    <label className="inline-grid gap-0.5 text-[13px] text-quiet">
      {label}
      <input
        className={`input input-sm text-base-content ${className} ${problem ? "input-error" : ""}`}
        value={typed ?? value.join(", ")}
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

const listOf = (text: string): string[] => [
  ...new Set(
    text
      .split(/[,\n]/)
      .map((part) => part.trim())
      .filter((part) => part !== ""),
  ),
];
