import { describe, expect, it } from "vitest";
import { instantOf } from "./instant.ts";

describe("the moment of a text", () => {
  // RFC 3339, section 5.8, its examples and what it says of each.
  it.each([
    ["1985-04-12T23:20:50.52Z", Date.UTC(1985, 3, 12, 23, 20, 50, 520)],
    ["1996-12-19T16:39:57-08:00", Date.UTC(1996, 11, 20, 0, 39, 57)],
    ["1990-12-31T23:59:60Z", Date.UTC(1990, 11, 31, 23, 59, 59)],
    ["1990-12-31T15:59:60-08:00", Date.UTC(1990, 11, 31, 23, 59, 59)],
    ["1937-01-01T12:00:27.87+00:20", Date.UTC(1937, 0, 1, 11, 40, 27, 870)],
  ])("of %s", (text, at) => {
    expect(instantOf(text)).toBe(at);
  });

  // RFC 3339, section 5.7, its table of how many days a month has; appendix C, which years are leap years.
  it.each([2026, 2024, 2100, 2000])("is none on days that %i does not have", (year) => {
    const leap = year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
    const lengths = [31, leap ? 29 : 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
    const two = (n: number) => String(n).padStart(2, "0");
    for (const [month, length] of lengths.entries())
      for (let day = 1; day <= 31; day += 1) {
        const at = instantOf(`${year}-${two(month + 1)}-${two(day)}T10:00:00+01:00`);
        expect(at).toBe(day <= length ? Date.UTC(year, month, day, 9) : Number.NaN);
      }
  });
});
