import { readPercent } from "../../fields/read-figure.ts";
import { isAtMostAll } from "../../fields/rules.ts";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";

type Props = {
  label: string;
  /** A part of one; null where nothing is stated. */
  part: number | null;
  placeholder?: string;
  ariaLabel?: string;
  /** In hundredths of a percent; null where it is taken back. */
  onState: (hundredths: number | null) => void;
};

/** @example percentText(0.425) // "42.5" */
export const percentText = (part: number): string => String(Math.round(part * 10_000) / 100);

const isInHundredths = (percent: string): string | null =>
  /\.\d{3}/.test(percent) ? say("no more than two decimals") : null;

/** A part of something that the store states in percent, or leaves open. */
export const StatedPercent = ({ label, part, placeholder = "", ariaLabel, onState }: Props) => (
  <TextField
    label={label}
    {...(ariaLabel === undefined ? {} : { ariaLabel })}
    className="w-24"
    value={part === null ? "" : percentText(part)}
    placeholder={placeholder}
    leaf="store/goalsMayStray"
    rule={(percent) => isAtMostAll(percent) ?? isInHundredths(percent)}
    read={readPercent}
    onCommit={(percent) => onState(Math.round(Number(percent) * 100))}
    onEmpty={() => onState(null)}
  />
);
