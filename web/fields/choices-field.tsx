import { type ReactNode, useId, useState } from "react";
import { type Shown, shown } from "../language/say.ts";
import { CheckField } from "./check-field.tsx";
import type { LeafName } from "./leaf-names.ts";
import { leafProblem } from "./leaf-problem.ts";

type Props<Value extends string | number> = {
  /** What the choices are about, for those who do not see where they stand. */
  label: string;
  /** What stands before them. */
  lead?: ReactNode;
  value: readonly Value[];
  choices: readonly { readonly value: Value; readonly words: Shown }[];
  /** The leaf of the schema that the list of what is chosen is. */
  leaf: LeafName;
  onCommit: (chosen: Value[]) => void;
  className?: string;
};

/** Any of several choices, ticked. What the leaf does not allow, such as none, stays as it was ticked, and says why. */
export function ChoicesField<Value extends string | number>(props: Props<Value>) {
  const { label, lead, value, choices, leaf, onCommit, className = "flex-wrap gap-x-3" } = props;
  const id = useId();
  const [refused, setRefused] = useState<readonly Value[] | null>(null);
  const ticked = refused ?? value;
  const problem = refused && leafProblem(leaf, refused);
  return (
    <fieldset className={`flex ${className}`} aria-describedby={problem ? id : undefined}>
      <legend className="sr-only">{label}</legend>
      {lead}
      {choices.map(({ value: one, words }) => (
        <CheckField
          key={one}
          label={shown(words)}
          checked={ticked.includes(one)}
          onCommit={(isTicked) => {
            const others = ticked.filter((other) => other !== one);
            const next = isTicked ? [...others, one] : others;
            const isAllowed = leafProblem(leaf, next) === null;
            setRefused(isAllowed ? null : next);
            if (isAllowed) onCommit(next);
          }}
        />
      ))}
      {problem && (
        <span id={id} role="alert" className="text-warning">
          {problem}
        </span>
      )}
    </fieldset>
  );
}
