import fc from "fast-check";
import { DateTime } from "luxon";
import { describe, expect, it } from "vitest";
import { localMoment } from "./local-moment.ts";
import { momentOf } from "./zone-clock.ts";

const ZONES = [
  "Europe/Lisbon",
  "America/New_York",
  "Asia/Tokyo",
  "Australia/Lord_Howe",
  "Africa/Casablanca",
  "America/Santiago",
];

describe("what clocks make of a local time", () => {
  it("agrees with luxon on whether a time is skipped, doubled or plain", () => {
    // Around the changes of 2026 and 2027, to the quarter of an hour.
    const arbitrary = fc.record({
      zone: fc.constantFrom(...ZONES),
      quarter: fc.integer({ min: 0, max: 2 * 365 * 96 }),
      side: fc.constantFrom("start" as const, "end" as const),
    });
    fc.assert(
      fc.property(arbitrary, ({ zone, quarter, side }) => {
        const wall = new Date(Date.UTC(2026, 0, 1) + quarter * 900_000).toISOString().slice(0, 16);
        const { at, clocks } = localMoment(wall, zone, side);
        const read = DateTime.fromISO(wall, { zone });
        // luxon moves a skipped time forward too; it then shows another one.
        const skipped = read.toFormat("yyyy-MM-dd'T'HH:mm") !== wall;
        const doubled = !skipped && read.getPossibleOffsets().length > 1;
        expect(clocks).toBe(skipped ? "skipped" : doubled ? "doubled" : "plain");
        expect(at).toBe(momentOf(wall, zone, side));
        if (!doubled && !skipped) expect(at).toBe(read.toMillis());
      }),
      { numRuns: 3000, seed: 20261124 },
    );
  });

  it("takes a day as the end with all of that day in it, across a change of clocks", () => {
    expect(
      localMoment("2027-03-28", "Europe/Lisbon", "end").at - localMoment("2027-03-28", "Europe/Lisbon", "start").at,
    ).toBe(23 * 3_600_000);
    expect(
      localMoment("2026-10-25", "Europe/Lisbon", "end").at - localMoment("2026-10-25", "Europe/Lisbon", "start").at,
    ).toBe(25 * 3_600_000);
    expect(localMoment("2027-03-28T01:30", "Europe/Lisbon", "start").clocks).toBe("skipped");
    expect(localMoment("2026-10-25T01:30", "Europe/Lisbon", "end").clocks).toBe("doubled");
  });
});
