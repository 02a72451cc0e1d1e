import { COMPARISON_WORDS, type Comparison } from "../../../core/conditions/compare.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";

/** How a figure is compared. */
export const ComparisonField = ({ value, onIs }: { value: Comparison; onIs: (is: Comparison) => void }) => (
  <SelectField label={say("Compared")} value={value} choices={COMPARISON_WORDS} onCommit={onIs} />
);
