import { Type } from "@sinclair/typebox";
import { closed } from "../../plan/atoms.ts";
import { zoneClock } from "../../time/zone-clock.ts";
import { constant, defineCondition } from "../definition.ts";
import { orList } from "../list.ts";

const NAMES = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

/** It is one of these weekdays by the market's clocks; ISO 8601 numbers, Monday is 1. */
export const weekdays = defineCondition({
  kind: "weekdays",
  family: "moment",
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
    return constant(({ facts }) => wanted.has(clock(facts.at).weekday));
  },
  words: ({ days }) => `it is ${orList([...days].sort().map((day) => NAMES[day - 1] ?? String(day)))}`,
});
