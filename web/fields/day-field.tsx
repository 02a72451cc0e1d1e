import { useState } from "react";
import { say } from "../language/say.ts";
import { PickDay } from "./pick-day.tsx";
import { isInCalendar } from "./rules.ts";
import { TextField, type TextFieldProps } from "./text-field.tsx";

type Props = Omit<TextFieldProps, "rule" | "read"> & {
  /** The other end, where it is one of two: what begins has to begin before it ends. */
  before?: string | undefined;
  after?: string | undefined;
  /** Days that it cannot be, since they are there already. */
  taken?: readonly string[];
};

/** A day, or a moment of one where its leaf takes that: typed, or picked from a calendar, which leaves the time as it is. */
export function DayField({ before, after, taken = [], ...props }: Props) {
  const { label, ariaLabel, value = "", onCommit } = props;
  const [refused, setRefused] = useState<string | null>(null);
  const order = (text: string): string | null => {
    if (text !== value && taken.includes(text)) return say("{text} is there already", { text });
    if (before !== undefined && isLater(text, before)) return say("later than it ends, {before}", { before });
    return after !== undefined && isLater(after, text) ? say("earlier than it begins, {after}", { after }) : null;
  };
  return (
    <span className="inline-flex items-end gap-0.5">
      <TextField {...props} rule={(text) => isInCalendar(text) ?? order(text)} />
      <PickDay
        of={ariaLabel ?? label}
        value={value.slice(0, DAY_LENGTH)}
        onDay={(day) => {
          const picked = `${day}${value.slice(DAY_LENGTH)}`;
          setRefused(order(picked));
          if (order(picked) === null) onCommit(picked);
        }}
      />
      {refused && (
        <span role="alert" className="pb-1.5 text-[13px] text-warning">
          {refused}
        </span>
      )}
    </span>
  );
}

export const DAY_LENGTH = "2026-11-27".length;

/** Whether something begins when something else is over; a day is over at its end. */
const isLater = (from: string, until: string): boolean =>
  (from.length === DAY_LENGTH ? `${from}T00:00` : from) > (until.length === DAY_LENGTH ? `${until}T24:00` : until);
