import { parseList } from "./parse-list.ts";
import { TextField } from "./text-field.tsx";

type Props = {
  label: string;
  value: readonly string[];
  onCommit: (list: string[]) => void;
  /** What is wrong with one entry, or null. */
  validate?: (entry: string) => string | null;
  placeholder?: string;
  className?: string;
  /** Names to choose from while typing. */
  known?: readonly string[];
};

/** A list of short texts with commas between; kept when it is left. An empty list, or a wrong entry, stays and says why. */
export function ListField({ value, onCommit, validate, className = "w-56", ...field }: Props) {
  return (
    <TextField
      {...field}
      inline
      className={className}
      value={value.join(", ")}
      validate={(text) =>
        parseList(text)
          .map((entry) => validate?.(entry) ?? null)
          .find((found) => found !== null) ?? null
      }
      onCommit={(text) => {
        const entries = parseList(text);
        if (entries.join("\n") !== value.join("\n")) onCommit(entries);
      }}
    />
  );
}
