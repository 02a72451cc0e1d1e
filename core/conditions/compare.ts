import { type Static, Type } from "@sinclair/typebox";
import type { Truth } from "./truth.ts";

/** How a number is compared. */
export const Comparison = Type.Union(
  (["at-least", "more-than", "at-most", "less-than", "exactly"] as const).map((name) => Type.Literal(name)),
  { title: "Comparison" },
);
export type Comparison = Static<typeof Comparison>;

/** Compares; unknown when the value is. @example compared("at-least", 3, 3) // true */
export function compared(comparison: Comparison, value: number | null | undefined, to: number): Truth {
  if (value === null || value === undefined) return null;
  switch (comparison) {
    case "at-least":
      return value >= to;
    case "more-than":
      return value > to;
    case "at-most":
      return value <= to;
    case "less-than":
      return value < to;
    case "exactly":
      return value === to;
  }
}

/** The least whole values from which the answer may be another one. */
export function turningPoints(comparison: Comparison, to: number): number[] {
  switch (comparison) {
    case "at-least":
    case "less-than":
      return [to];
    case "more-than":
    case "at-most":
      return [to + 1];
    case "exactly":
      return [to, to + 1];
  }
}

export const COMPARISON_WORDS: Readonly<Record<Comparison, string>> = {
  "at-least": "at least",
  "more-than": "more than",
  "at-most": "at most",
  "less-than": "less than",
  exactly: "exactly",
};
