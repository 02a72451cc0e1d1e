import { minuteOfDay } from "../../facts/moment/minute.ts";
import { phrase } from "../../phrases/phrase.ts";
import { Clock, minuteOf } from "../../places/location.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { zoneClock } from "../../time/zone-clock.ts";
import { inRanges } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

const clockText = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;

/** The market's clocks show a time from one hour until another, half-open; past midnight when the end is not later. */
export const hours = defineCondition({
  kind: "hours",
  family: "moment",
  schema: Type.Object({ kind: Type.Literal("hours"), from: Clock, until: Clock }, closed),
  example: { kind: "hours", from: "22:00", until: "06:00" },
  compile: ({ from, until }, { timeZone }) => {
    const clock = zoneClock(timeZone);
    const [start, end] = [minuteOf(from), minuteOf(until)];
    return leaf(
      ({ facts }) => {
        const { minute } = clock(facts.at);
        return start < end ? start <= minute && minute < end : start <= minute || minute < end;
      },
      ({ facts }) => clockText(clock(facts.at).minute),
    );
  },
  constrains: ({ from, until }) => {
    const [start, end] = [minuteOf(from), minuteOf(until)];
    const ranges =
      start < end
        ? [{ from: start, until: end }]
        : [
            { from: start, until: 1440 },
            { from: 0, until: end },
          ];
    return inRanges(minuteOfDay, ...ranges);
  },
  words: ({ from, until }) => phrase("it is between {from} and {until}", { from, until }),
});
