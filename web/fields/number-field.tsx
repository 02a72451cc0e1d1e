import type { LeafName } from "./leaf-names.ts";
import { leafProblem } from "./leaf-problem.ts";
import { TypedField, type TypedFieldLook } from "./typed-field.tsx";

type Props = TypedFieldLook & {
  value: number | undefined;
  /** The leaf of the schema that it is typed into. */
  leaf: LeafName;
  onCommit: (value: number) => void;
  /** Called when the field is emptied; without it a figure is needed. */
  onEmpty?: () => void;
};

/** A number within the limits of its leaf. */
export function NumberField({ value, leaf, onCommit, onEmpty, className = "w-28", ...look }: Props) {
  const isEmptied = (text: string) => text.trim() === "" && onEmpty !== undefined;
  return (
    <TypedField
      {...look}
      className={className}
      value={value === undefined ? "" : String(value)}
      problemOf={(text) => (isEmptied(text) ? null : leafProblem(leaf, numberIn(text)))}
      onCommit={(text) => (isEmptied(text) ? onEmpty?.() : onCommit(Number(text)))}
    />
  );
}

/** What is no number stays a text, which no leaf of a number allows. */
const numberIn = (text: string): number | string => {
  const number = Number(text);
  return text.trim() === "" || Number.isNaN(number) ? text : number;
};
