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

/** A part of something, stated in percent or left open. */
export const PercentField = ({ label, part, placeholder = "", ariaLabel, onState }: Props) => (
  <TextField
    label={label}
    {...(ariaLabel === undefined ? {} : { ariaLabel })}
    className="w-24"
    value={part === null ? "" : percentText(part)}
    placeholder={placeholder}
    leaf="store/goalsMayStray"
    rule={(text) =>
      Number(text) > 100 ? say("no more than 100") : /\.\d{3}/.test(text) ? say("no more than two decimals") : null
    }
    onCommit={(text) => onState(Math.round(Number(text) * 100))}
    onEmpty={() => onState(null)}
  />
);
