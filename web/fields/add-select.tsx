import { Fragment } from "react";

type Choice = { readonly value: string; readonly words: string };
type Props = {
  label: string;
  /** What stands there while nothing is being added. */
  shown: string;
  choices: readonly Choice[];
  /** Further choices under headings of their own. */
  groups?: readonly { readonly name: string; readonly choices: readonly Choice[] }[];
  onAdd: (value: string) => void;
  look?: "box" | "word";
  className?: string;
};

const LOOKS = {
  box: "select select-sm",
  word: "min-h-6 [field-sizing:content] cursor-pointer border-b border-dotted border-quiet bg-transparent text-[13px] text-quiet",
};

/** Something is done with one of several choices as soon as it is made; afterwards nothing is chosen again. */
export function AddSelect({ label, shown, choices, groups = [], onAdd, look = "box", className = "" }: Props) {
  const options = (list: readonly Choice[]) =>
    list.map(({ value, words }) => (
      <option key={value} value={value}>
        {words}
      </option>
    ));
  return (
    <select
      aria-label={label}
      className={`${LOOKS[look]} ${className}`}
      value=""
      onChange={(event) => event.target.value !== "" && onAdd(event.target.value)}
    >
      <option value="" disabled>
        {shown}
      </option>
      {options(choices)}
      {groups.map((group) => (
        <Fragment key={group.name}>
          {group.choices.length > 0 && <optgroup label={group.name}>{options(group.choices)}</optgroup>}
        </Fragment>
      ))}
    </select>
  );
}
