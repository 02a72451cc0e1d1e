import { instant } from "../../facts/moment/instant.ts";
import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { interval, Local, stretchProblems } from "../../time/local.ts";
import { inRanges } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

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
    return leaf(
      ({ facts }) => start <= facts.at && facts.at < end,
      ({ facts }) => new Date(facts.at).toISOString(),
    );
  },
  constrains: (condition, { timeZone }) => {
    const [start, end] = interval(condition, timeZone);
    return inRanges(instant, {
      from: Number.isFinite(start) ? start : null,
      until: Number.isFinite(end) ? end : null,
    });
  },
  words: ({ from, until }) =>
    from && until
      ? phrase("it is {from} or later and it is not past {until}", { from, until })
      : from
        ? phrase("it is {from} or later", { from })
        : until
          ? phrase("it is not past {until}", { until })
          : phrase("it is any time"),
  problems: (stretch, path) => stretchProblems(stretch, path),
});
