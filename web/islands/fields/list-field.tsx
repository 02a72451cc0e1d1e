import { TextField } from "./text-field.tsx";
import { textList } from "./text-list.ts";

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
export function ListField({ value, onValue, wrong, className = "w-56", ...field }: Props) {
  return (
    <TextField
      {...field}
      inline
      className={className}
      value={value.join(", ")}
      wrong={(text) =>
        textList(text)
          .map((entry) => wrong?.(entry) ?? null)
          .find((found) => found !== null) ?? null
      }
      onValue={(text) => {
        const entries = textList(text);
        if (entries.join("\n") !== value.join("\n")) onValue(entries);
      }}
    />
  );
}
