import { Kept } from "../phrases/kept.ts";
import { phrase } from "../phrases/phrase.ts";
import { Coordinates } from "../quantities/coordinates.ts";
import { ByLocale, CountryCode, closed, Id, Position } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";
import { dayOf } from "../time/day.ts";
import { DAY } from "../time/instant.ts";
import { LocalDay } from "../time/local.ts";
import { Weekdays } from "../time/weekdays.ts";
import { PostcodeTable, postcodeTableProblems } from "./postcode-table.ts";

export const Clock = Type.String({
  title: "A time of day",
  pattern: "^([01][0-9]|2[0-3]):[0-5][0-9]$",
  description: "HH:MM",
  examples: ["18:30"],
});
export const minuteOf = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));

/** Where goods are shipped from, or collected: a warehouse, a shop. */
export const Location = Type.Object(
  {
    id: Id,
    position: Position,
    name: ByLocale,
    at: { ...Coordinates, description: "Latitude and longitude in degrees" },
    country: CountryCode,
    postcode: Type.Optional(Type.String({ maxLength: 16 })),
    timeZone: Type.String({ maxLength: 64, description: "IANA time zone" }),
    /** When goods can be collected. */
    openingHours: Type.Optional(
      Type.Array(Type.Object({ days: Weekdays, from: Clock, until: Clock }, closed), { maxItems: 50 }),
    ),
    holidays: Type.Optional(
      Type.String({
        title: "The code of a country, or of a region of one",
        pattern: "^[A-Z]{2}(-[A-Z0-9]{1,3}){0,2}$",
        examples: ["PT", "ES-CT"],
        description: "Whose public holidays are kept: a country, or a region of one",
      }),
    ),
    closedOn: Type.Optional(Type.Array(LocalDay, { maxItems: 400, description: "Other days without work" })),
    address: Type.Optional({ ...ByLocale, description: "As shoppers who collect there are told it" }),
    instructions: Type.Optional({ ...ByLocale, description: "Told with the address" }),
    postcodeTable: Type.Optional(PostcodeTable),
  },
  { ...closed, title: "Location" },
);
export type Location = Static<typeof Location>;

export function locationProblems(location: Location, path: string): Problem[] {
  const hours = (location.openingHours ?? []).flatMap(({ from, until }, i) =>
    minuteOf(from) < minuteOf(until)
      ? []
      : [{ path: `${path}/openingHours/${i}/until`, message: phrase("has to be later than it opens") }],
  );
  return [...hours, ...postcodeTableProblems(location, `${path}/postcodeTable`)];
}

/** Public holidays by calendar (the `holidays` of a location), as ISO days. They are looked up before a plan is compiled. */
export type Calendars = Readonly<Record<string, readonly string[]>>;

/** The days, counted from 1970-01-01, on which nobody works at a location besides its weekly rest. */
export function restDays(location: Location, calendars: Calendars): ReadonlySet<number> {
  const days = [...(calendars[location.holidays ?? ""] ?? []), ...(location.closedOn ?? [])];
  return new Set(days.map(dayNumber));
}

const dayNumber = (day: string) => Date.parse(`${day}T00:00:00Z`) / DAY;
export const dayText = (number: number): string => dayTexts.of(number, () => dayOf(number * DAY));

/** Some years of days: every quote speaks of a few. */
const dayTexts = new Kept<string, number>(4000);
