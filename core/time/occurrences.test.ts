import * as fc from "fast-check";
import rrule from "rrule";
import { describe, expect, it } from "vitest";
import { english } from "../phrases/speak.ts";
import { againWords, aYearLater, intervalsOf, occurrences } from "./occurrences.ts";
import { type Again, scheduleProblems } from "./stretch.ts";

const { RRule } = rrule;
const day = (time: number) => new Date(time).toISOString().slice(0, 10);
const anyDay = fc
  .integer({ min: Date.UTC(2024, 0, 1) / 86_400_000, max: Date.UTC(2030, 0, 1) / 86_400_000 })
  .map((n) => n * 86_400_000);
const again: fc.Arbitrary<Again> = fc
  .record(
    {
      every: fc.constantFrom<Again["every"]>("week", "month", "year"),
      interval: fc.integer({ min: 1, max: 5 }),
      days: fc.subarray([1, 2, 3, 4, 5, 6, 7], { minLength: 1 }),
      until: anyDay.map(day),
      times: fc.integer({ min: 1, max: 60 }),
    },
    { requiredKeys: ["every"] },
  )
  .map(({ days, ...rest }) => (rest.every === "week" && days ? { ...rest, days } : rest));

describe("what comes again", () => {
  it("starts on the days that rrule finds by RFC 5545: weeks by their days, months and years that have the day", () => {
    fc.assert(
      fc.property(anyDay, fc.nat(9), again, (start, length, rule) => {
        const until = day(start + length * 86_400_000);
        const found = occurrences({ from: day(start), until, again: rule });
        const last = Date.UTC(
          new Date(start).getUTCFullYear() + 5,
          new Date(start).getUTCMonth(),
          new Date(start).getUTCDate(),
        );
        const by = new RRule({
          freq: { week: RRule.WEEKLY, month: RRule.MONTHLY, year: RRule.YEARLY }[rule.every],
          dtstart: new Date(start),
          interval: rule.interval ?? 1,
          wkst: RRule.MO,
          until: new Date(Math.min(last, rule.until ? Date.parse(`${rule.until}T00:00:00Z`) : last)),
          ...(rule.days ? { byweekday: rule.days.map((weekday) => weekday - 1) } : {}),
          count: Math.min(rule.times ?? 1000, 1000),
        });
        expect(found.map(({ from }) => from)).toEqual(by.all().map((one) => day(one.getTime())));
        for (const one of found)
          expect((Date.parse(one.until ?? "") - Date.parse(one.from ?? "")) / 86_400_000).toBe(length);
      }),
      { seed: 20261126, numRuns: 1000 },
    );
  });

  it("keeps its time of day by the market's clocks, through summer time", () => {
    const weekly = { from: "2026-10-23T18:00", until: "2026-10-24T02:00", again: { every: "week" as const, times: 2 } };
    expect(
      intervalsOf([weekly], "Europe/Lisbon").map(([a, b]) => [a, b].map((time) => new Date(time).toISOString())),
    ).toEqual([
      ["2026-10-23T17:00:00.000Z", "2026-10-24T01:00:00.000Z"],
      ["2026-10-30T18:00:00.000Z", "2026-10-31T02:00:00.000Z"],
    ]);
  });

  it("is copied to the next year, the end of February too, and said in words", () => {
    expect(
      aYearLater([
        { from: "2028-02-29", until: "2028-03-01T12:00" },
        { again: { every: "week", until: "2026-12-31" } },
      ]),
    ).toEqual([{ from: "2029-02-28", until: "2029-03-01T12:00" }, { again: { every: "week", until: "2027-12-31" } }]);
    expect(english(againWords({ every: "week", interval: 2, days: [5, 1], times: 10 }))).toBe(
      "again every 2 weeks on Mondays and Fridays, 10 times",
    );
  });

  it("is refused with its place without a start or an end, with days of months, and with days of no calendar", () => {
    const problems = scheduleProblems(
      [
        { from: "2026-12-01", again: { every: "week" } },
        { from: "2026-12-01", until: "2026-12-02", again: { every: "month", days: [1], until: "2026-02-30" } },
      ],
      "/schedule",
    );
    expect(problems.map(({ path }) => path)).toEqual([
      "/schedule/0/again",
      "/schedule/1/again/days",
      "/schedule/1/again/until",
    ]);
  });
});
