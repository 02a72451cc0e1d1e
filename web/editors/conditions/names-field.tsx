import { ListField } from "../../fields/list-field.tsx";

type Props = {
  label: string;
  list: readonly string[];
  validate?: (text: string) => string | null;
  onList: (list: string[]) => void;
};

/** A list that may not become empty. */
export const NamesField = ({ label, list, validate, onList }: Props) => (
  <ListField
    label={label}
    value={list}
    {...(validate ? { validate } : {})}
    onCommit={(next) => next.length > 0 && onList(next)}
  />
);
