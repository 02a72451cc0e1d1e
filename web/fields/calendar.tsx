import { DayPicker } from "react-day-picker";
import { enGB } from "react-day-picker/locale/en-GB";
import { pt } from "react-day-picker/locale/pt";
import { theReader } from "../language/say.ts";
import "react-day-picker/style.css";

type Props = { value: string; onDay: (day: string) => void };

/** A month to pick a day from; weeks begin on Monday, as by ISO 8601. */
export default function Calendar({ value, onDay }: Props) {
  const chosen = isDay(value) ? localDay(value) : undefined;
  return (
    <DayPicker
      mode="single"
      locale={theReader().locale.startsWith("pt") ? pt : enGB}
      selected={chosen}
      defaultMonth={chosen ?? new Date()}
      onSelect={(day) => day && onDay(writtenDay(day))}
      autoFocus
      className="calendar"
    />
  );
}

const isDay = (text: string) => /^\d{4}-\d{2}-\d{2}$/.test(text);

/** Days have no time zone: the picker's are taken at this computer's midnight and written out the same way. */
const localDay = (text: string): Date => {
  const [year = 0, month = 1, day = 1] = text.split("-").map(Number);
  return new Date(year, month - 1, day);
};

const writtenDay = (day: Date): string =>
  [day.getFullYear(), day.getMonth() + 1, day.getDate()]
    .map((part, i) => String(part).padStart(i === 0 ? 4 : 2, "0"))
    .join("-");
