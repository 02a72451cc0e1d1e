import { Type } from "../schema/type.ts";

/** Days of the week, some at least. */
export const Weekdays = Type.Array(Type.Integer({ minimum: 1, maximum: 7, description: "ISO 8601: Monday is 1" }), {
  minItems: 1,
  maxItems: 7,
  uniqueItems: true,
});

/** The weekday of a day counted from 1970-01-01, a Thursday; ISO 8601 counts from Monday, 1. @example weekdayOf(0) // 4 */
export const weekdayOf = (day: number): number => ((((day + 3) % 7) + 7) % 7) + 1;
