import { CurrencyCode, closed, Id, MinorUnits } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";
import { LocalDay } from "../time/local.ts";

/** A goal for free delivery that a market had, by its own days. */
export const PastGoal = Type.Object(
  {
    market: Id,
    currency: CurrencyCode,
    goal: { ...MinorUnits, description: "In minor units of the currency" },
    from: { ...LocalDay, description: "The first day" },
    until: Type.Union([LocalDay, Type.Null()], { description: "The last day; null while it holds" }),
  },
  { ...closed, title: "PastGoal" },
);
export type PastGoal = Static<typeof PastGoal>;

/** Whether a goal was in force on a day. @example holdsOn(goal, "2026-03-01") */
export const holdsOn = ({ from, until }: PastGoal, day: string): boolean =>
  from <= day && (until === null || day <= until);

/** Whether a goal was in force at all from one day to another, both included. */
export const holdsWithin = (goal: PastGoal, first: string, last: string): boolean =>
  goal.from <= last && (goal.until === null || goal.until >= first);
