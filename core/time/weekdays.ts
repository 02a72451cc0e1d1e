import { Type } from "../schema/type.ts";

/** Days of the week, some at least. */
export const Weekdays = Type.Array(Type.Integer({ minimum: 1, maximum: 7, description: "ISO 8601: Monday is 1" }), {
  minItems: 1,
  maxItems: 7,
  uniqueItems: true,
});
