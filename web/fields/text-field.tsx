import type { LeafName } from "./leaf-names.ts";
import { leafProblem } from "./leaf-problem.ts";
import type { ReadText } from "./read-figure.ts";
import { TypedField, type TypedFieldLook } from "./typed-field.tsx";

export type TextFieldProps = TypedFieldLook & {
  value: string | undefined;
  /** The leaf of the schema that it is typed into: what that allows can be kept. */
  leaf: LeafName;
  /** What else has to hold, which no schema can say: why a text cannot be kept, or null. */
  rule?: (text: string) => string | null;
  /** The text as it is kept, or why it cannot be read. */
  read?: (text: string) => ReadText;
  onCommit: (text: string) => void;
  /** Called when the field is emptied; without it a text is needed, where the leaf needs one. */
  onEmpty?: () => void;
};

/** A text of the plan, kept without spaces around it. */
export function TextField({ value = "", leaf, rule, read = trimmed, onCommit, onEmpty, ...look }: TextFieldProps) {
  const isEmptied = (text: string) => text === "" && onEmpty !== undefined;
  return (
    <TypedField
      {...look}
      value={value}
      problemOf={(typed) => {
        const text = read(typed);
        if (typeof text === "object") return text.problem;
        return isEmptied(text) ? null : (leafProblem(leaf, text) ?? rule?.(text) ?? null);
      }}
      onCommit={(typed) => {
        const text = read(typed);
        if (typeof text === "object") return;
        if (isEmptied(text)) onEmpty?.();
        else if (text !== value) onCommit(text);
      }}
    />
  );
}

const trimmed = (text: string) => text.trim();
