import { Type } from "@sinclair/typebox";
import { closed } from "../../plan/atoms.ts";
import { zoneClock } from "../../time/zone-clock.ts";
import { constant, defineCondition } from "../definition.ts";

const Clock = Type.String({ pattern: "^([01][0-9]|2[0-3]):[0-5][0-9]$", description: "HH:MM" });
const minuteOf = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));

/** The market's clocks show a time from one hour until another, half-open; past midnight when the end is not later. */
export const hours = defineCondition({
  kind: "hours",
  family: "moment",
  schema: Type.Object({ kind: Type.Literal("hours"), from: Clock, until: Clock }, closed),
  example: { kind: "hours", from: "22:00", until: "06:00" },
  compile: ({ from, until }, { timeZone }) => {
    const clock = zoneClock(timeZone);
    const [start, end] = [minuteOf(from), minuteOf(until)];
    return constant(({ facts }) => {
      const { minute } = clock(facts.at);
      return start < end ? start <= minute && minute < end : start <= minute || minute < end;
    });
  },
  words: ({ from, until }) => `it is between ${from} and ${until}`,
});
