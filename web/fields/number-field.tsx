import { TextField } from "./text-field.tsx";

type Props = {
  label: string;
  value: number | undefined;
  least: number;
  most: number;
  onCommit: (value: number) => void;
  /** Called when the field is emptied; without it a figure is needed. */
  onEmpty?: () => void;
  className?: string;
};

/** A whole number within limits. */
export function NumberField({ label, value, least, most, onCommit, onEmpty, className = "w-28" }: Props) {
  const validate = (text: string) => {
    if (text.trim() === "" && onEmpty) return null;
    const number = Number(text);
    return text.trim() !== "" && Number.isInteger(number) && number >= least && number <= most
      ? null
      : `a whole number from ${least} to ${most}`;
  };
  return (
    <TextField
      label={label}
      value={value === undefined ? "" : String(value)}
      validate={validate}
      className={className}
      onCommit={(text) => (text.trim() === "" ? onEmpty?.() : onCommit(Number(text)))}
    />
  );
}
