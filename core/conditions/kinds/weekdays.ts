import { weekday } from "../../facts/moment/weekday.ts";
import { orList, phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { zoneClock } from "../../time/zone-clock.ts";
import { inRanges } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

const NAMES = [
  phrase("Monday"),
  phrase("Tuesday"),
  phrase("Wednesday"),
  phrase("Thursday"),
  phrase("Friday"),
  phrase("Saturday"),
  phrase("Sunday"),
];

/** It is one of these weekdays by the market's clocks; ISO 8601 numbers, Monday is 1. */
export const weekdays = defineCondition({
  kind: "weekdays",
  family: "moment",
  found: "message",
  schema: Type.Object(
    {
      kind: Type.Literal("weekdays"),
      days: Type.Array(Type.Integer({ minimum: 1, maximum: 7 }), { minItems: 1, maxItems: 7, uniqueItems: true }),
    },
    closed,
  ),
  example: { kind: "weekdays", days: [6, 7] },
  compile: ({ days }, { timeZone }) => {
    const clock = zoneClock(timeZone);
    const wanted = new Set(days);
    return leaf(
      ({ facts }) => wanted.has(clock(facts.at).weekday),
      ({ facts }) => NAMES[clock(facts.at).weekday - 1]?.message ?? null,
    );
  },
  constrains: ({ days }) => inRanges(weekday, ...days.map((day) => ({ from: day - 1, until: day }))),
  words: ({ days }) =>
    phrase("it is {list}", { list: orList([...days].sort().map((day) => NAMES[day - 1] ?? String(day))) }),
});
