import { useId } from "react";
import { type Shown, shown } from "../language/say.ts";

type Props<Name extends string> = {
  label: string;
  value: Name;
  /** The choices there are, with their words, in order. */
  choices: Readonly<Partial<Record<Name, Shown>>>;
  onCommit: (name: Name) => void;
  hideLabel?: boolean;
  /** A box of its own, or a word of the sentence that it stands in, whose label is heard alone. */
  look?: "box" | "word";
  className?: string;
  disabled?: boolean;
};

const LOOKS = {
  box: "select select-sm text-base-content",
  word: "min-h-6 [field-sizing:content] cursor-pointer border-b border-dotted border-quiet bg-transparent text-base-content",
};

/** One of a few named choices. */
export function SelectField<Name extends string>({
  label,
  value,
  choices,
  onCommit,
  look = "box",
  hideLabel = look === "word",
  className = "w-auto",
  disabled = false,
}: Props<Name>) {
  const id = useId();
  const isName = (text: string): text is Name => Object.hasOwn(choices, text);
  const names = Object.keys(choices).filter(isName);
  return (
    <span className="inline-grid max-w-full grid-cols-[minmax(0,auto)] gap-0.5 text-[13px] text-quiet">
      <label htmlFor={id} className={hideLabel ? "sr-only" : ""}>
        {label}
      </label>
      <select
        id={id}
        className={`${LOOKS[look]} ${className}`}
        value={value}
        disabled={disabled}
        onChange={(event) => {
          if (isName(event.target.value)) onCommit(event.target.value);
        }}
      >
        {names.map((name) => (
          <option key={name} value={name}>
            {shown(choices[name] ?? name)}
          </option>
        ))}
      </select>
    </span>
  );
}

/**
 * Choices by id. @example choicesOf(plan.zones, ({ name }) => name) // { mainland: "Mainland", … }
 */
export const choicesOf = <One extends { readonly id: string }>(
  list: readonly One[],
  words: (one: One) => string,
): Record<string, string> => Object.fromEntries(list.map((one) => [one.id, words(one)]));
