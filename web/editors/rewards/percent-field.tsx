import type { LeafName } from "../../fields/leaf-names.ts";
import { readPercent } from "../../fields/read-figure.ts";
import { isAtMostAll } from "../../fields/rules.ts";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";

type Props = { value: string; leaf: LeafName; onPercent: (percent: string) => void };

/** The percent of a reward. */
export const PercentField = ({ value, leaf, onPercent }: Props) => (
  <TextField
    label={say("Percent")}
    className="w-20"
    value={value}
    leaf={leaf}
    rule={isAtMostAll}
    read={readPercent}
    onCommit={onPercent}
  />
);
