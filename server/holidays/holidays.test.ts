import { describe, expect, it } from "vitest";
import { inEnglish } from "../../core/tests/in-english.ts";
import { calendarProblems, calendarsOf } from "./holidays.ts";

const AT = Date.UTC(2026, 10, 24);
const keeping = (...calendars: (string | undefined)[]) => ({
  locations: calendars.map((holidays, i) => ({
    id: `l-${i}`,
    position: i,
    name: { en: "L" },
    at: [0, 0] as [number, number],
    country: "PT",
    timeZone: "Europe/Lisbon",
    ...(holidays === undefined ? {} : { holidays }),
  })),
});

describe("public holidays", () => {
  it("are those of the law, in the years around a moment", async () => {
    const { PT = [], "DE-BY": bavaria = [] } = await calendarsOf(keeping("PT", "DE-BY", "PT", undefined), AT);
    expect(new Set(PT.map((day) => day.slice(0, 4)))).toEqual(new Set(["2025", "2026", "2027", "2028"]));
    // Código do Trabalho, article 234 (from memory): fixed days, and Good Friday and Easter Sunday.
    for (const day of ["01-01", "04-25", "05-01", "06-10", "08-15", "10-05", "11-01", "12-01", "12-08", "12-25"])
      expect(PT).toContain(`2026-${day}`);
    // Easter 2026 is on 5 April by the Gregorian computus.
    expect(PT).toContain("2026-04-03");
    // Epiphany is kept in Bavaria (Feiertagsgesetz, article 1, from memory), and 25 April is not.
    expect(bavaria).toContain("2026-01-06");
    expect(bavaria).not.toContain("2026-04-25");
    expect([...PT].sort()).toEqual([...PT]);
    expect(new Set(PT).size).toBe(PT.length);
  });

  it("are asked for only where a location keeps some, and it is said where none are known", async () => {
    expect(await calendarsOf({}, AT)).toEqual({});
    expect(inEnglish(await calendarProblems(keeping("PT", undefined, "ZZ"), AT))).toEqual([
      {
        path: "/locations/2/holidays",
        message: "no public holidays are known for ZZ; list them under closedOn instead",
      },
    ]);
  });
});
