import { phrase } from "../../core/phrases/phrase.ts";
import { ChoicesField } from "./choices-field.tsx";
import type { LeafName } from "./leaf-names.ts";

const WEEKDAYS = [
  phrase("Mon"),
  phrase("Tue"),
  phrase("Wed"),
  phrase("Thu"),
  phrase("Fri"),
  phrase("Sat"),
  phrase("Sun"),
].map((words, i) => ({ value: i + 1, words }));

type Props = {
  label: string;
  /** By ISO 8601: 1 is Monday, 7 Sunday. */
  days: readonly number[];
  leaf: LeafName;
  onCommit: (days: number[]) => void;
};

/** Days of the week. */
export const WeekdaysField = ({ label, days, leaf, onCommit }: Props) => (
  <ChoicesField
    label={label}
    value={days}
    choices={WEEKDAYS}
    leaf={leaf}
    className="flex-wrap gap-x-2 gap-y-1 text-[13px]"
    onCommit={(chosen) => onCommit(chosen.sort((a, b) => a - b))}
  />
);
