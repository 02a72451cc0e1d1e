import { say } from "../language/say.ts";
import { AddSelect } from "./add-select.tsx";
import type { LeafName } from "./leaf-names.ts";
import { leafProblem } from "./leaf-problem.ts";
import { parseList } from "./parse-list.ts";
import { TypedField, type TypedFieldLook } from "./typed-field.tsx";

export type ListFieldProps = TypedFieldLook & {
  value: readonly string[];
  /** The leaf of the schema that the list is. */
  leaf: LeafName;
  onCommit: (list: string[]) => void;
  /** What else has to hold of each entry: why one cannot be kept, or null. */
  rule?: (entry: string) => string | null;
  /** The entries of a text; short texts with commas between unless given. */
  parse?: (text: string) => string[];
  /** An entry as the leaf has it, such as a number. */
  read?: (entry: string) => unknown;
  /** Called when the field is emptied; without it the leaf says whether it may be. */
  onEmpty?: () => void;
  /** What there is to choose from, one at a time; anything else can be typed. */
  choices?: readonly { readonly value: string; readonly words: string }[];
};

/** A list of short texts with commas between. */
export function ListField({
  value,
  leaf,
  onCommit,
  rule,
  parse = parseList,
  read,
  onEmpty,
  choices = [],
  className = "w-56",
  ...look
}: ListFieldProps) {
  const isEmptied = (entries: readonly string[]) => entries.length === 0 && onEmpty !== undefined;
  const others = choices.filter((choice) => !value.includes(choice.value));
  const field = (
    <TypedField
      inline
      {...look}
      className={className}
      value={value.join(", ")}
      problemOf={(text) => {
        const entries = parse(text);
        if (isEmptied(entries)) return null;
        const wrong = entries.map((entry) => rule?.(entry) ?? null).find((one) => one !== null);
        return leafProblem(leaf, read ? entries.map(read) : entries) ?? wrong ?? null;
      }}
      onCommit={(text) => {
        const entries = parse(text);
        if (isEmptied(entries)) onEmpty?.();
        else if (entries.join("\n") !== value.join("\n")) onCommit(entries);
      }}
    />
  );
  if (others.length === 0) return field;
  return (
    <span className={`items-end gap-1 ${look.inline === false ? "flex" : "inline-flex"}`}>
      {field}
      <AddSelect
        label={say("Add to {label}", { label: look.ariaLabel ?? look.label })}
        shown={say("add…")}
        look="word"
        className="mb-1.5 max-w-20"
        choices={others}
        onAdd={(added) => onCommit([...value, added])}
      />
    </span>
  );
}
