import { TextField, type TextFieldProps } from "./text-field.tsx";

/**
 * A time of day as the schema writes it, however it is typed. @example writtenTime("9.30") // "09:30"
 */
const writtenTime = (typed: string): string => {
  const [, hours, minutes = "00"] = /^(\d{1,2})(?:[:.h ]?(\d{2}))?$/i.exec(typed.trim()) ?? [];
  return hours === undefined ? typed.trim() : `${hours.padStart(2, "0")}:${minutes}`;
};

/** A time of day by a clock of twenty-four hours, which every reader's language can write. */
export const TimeField = (props: Omit<TextFieldProps, "read" | "placeholder">) => (
  <TextField {...props} read={writtenTime} placeholder="18:30" />
);
