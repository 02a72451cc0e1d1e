import { monthDay } from "../../facts/moment/month-day.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { zoneClock } from "../../time/zone-clock.ts";
import { inRanges } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

/** It is one of these days of the month by the market's clocks. */
export const monthDays = defineCondition({
  kind: "month-days",
  family: "moment",
  schema: Type.Object(
    {
      kind: Type.Literal("month-days"),
      days: Type.Array(Type.Integer({ minimum: 1, maximum: 31 }), { minItems: 1, maxItems: 31, uniqueItems: true }),
    },
    closed,
  ),
  example: { kind: "month-days", days: [1, 15] },
  compile: ({ days }, { timeZone }) => {
    const clock = zoneClock(timeZone);
    const wanted = new Set(days);
    const day = (at: number) => new Date(clock(at).day * 86_400_000).getUTCDate();
    return leaf(
      ({ facts }) => wanted.has(day(facts.at)),
      ({ facts }) => day(facts.at),
    );
  },
  constrains: ({ days }) => inRanges(monthDay, ...days.map((day) => ({ from: day, until: day + 1 }))),
  words: ({ days }) =>
    phrase("it is day {list} of the month", { list: orList([...days].sort((a, b) => a - b).map(String)) }),
});
