import { type Static, Type } from "@sinclair/typebox";
import { closed } from "../../plan/atoms.ts";
import { momentOf, nextDay } from "../../time/zone-clock.ts";
import { constant, defineCondition } from "../definition.ts";

const Local = Type.String({
  pattern: "^[0-9]{4}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])(T([01][0-9]|2[0-3]):[0-5][0-9])?$",
  description: "YYYY-MM-DD or YYYY-MM-DDTHH:MM, by the clocks of the market",
});

const schema = Type.Object(
  { kind: Type.Literal("between"), from: Type.Optional(Local), until: Type.Optional(Local) },
  closed,
);

/**
 * From one local time until another, by the market's clocks; half-open. A day as the end is included: until Monday ends
 * when Tuesday begins.
 */
export const between = defineCondition({
  kind: "between",
  family: "moment",
  schema,
  example: { kind: "between", from: "2026-11-27T09:00", until: "2026-11-30" },
  compile: (condition, { timeZone }) => {
    const [start, end] = interval(condition, timeZone);
    return constant(({ facts }) => start <= facts.at && facts.at < end);
  },
  words: ({ from, until }) =>
    [from && `it is ${from} or later`, until && `it is not past ${until}`].filter(Boolean).join(" and ") ||
    "it is any time",
  problems: ({ from, until }, path) =>
    [from, until].flatMap((local, i) => {
      const day = local?.slice(0, 10);
      const real = day === undefined || new Date(`${day}T00:00:00Z`).toISOString().startsWith(day);
      return real
        ? []
        : [{ path: `${path}/${i === 0 ? "from" : "until"}`, message: `${day} is no day of the calendar` }];
    }),
});

/** The UTC interval of a schedule, in milliseconds, half-open. */
export function interval({ from, until }: Static<typeof schema>, timeZone: string): [number, number] {
  const start = from === undefined ? Number.NEGATIVE_INFINITY : momentOf(from, timeZone, "start");
  if (until === undefined) return [start, Number.POSITIVE_INFINITY];
  return [start, until.length === 10 ? momentOf(nextDay(until), timeZone, "start") : momentOf(until, timeZone, "end")];
}
