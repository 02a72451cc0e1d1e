import type { Range } from "../facts/intervals.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import { type Static, Type } from "../schema/type.ts";
import { not, type Truth } from "../situation/truth.ts";

/** How a number is compared. */
export const Comparison = Type.Union(
  (["at-least", "more-than", "at-most", "less-than", "exactly"] as const).map((name) => Type.Literal(name)),
  { title: "Comparison" },
);
export type Comparison = Static<typeof Comparison>;

/**
 * A comparison with a whole number, of which only "at least" can be asked.
 *
 * @example comparing("more-than", 3, (count: number, least) => count >= least)(4) // true
 */
export function comparing<Now>(
  comparison: Comparison,
  to: number,
  reaches: (now: Now, least: number) => Truth,
): (now: Now) => Truth {
  const above = to + 1;
  switch (comparison) {
    case "at-least":
      return (now) => reaches(now, to);
    case "more-than":
      return (now) => reaches(now, above);
    case "at-most":
      return (now) => not(reaches(now, above));
    case "less-than":
      return (now) => not(reaches(now, to));
    case "exactly":
      return (now) => {
        const [enough, tooMuch] = [reaches(now, to), reaches(now, above)];
        return enough === null ? null : enough && tooMuch === false;
      };
  }
}

/** The same for a number that is known, or is not. */
export const compared = <Now>(
  comparison: Comparison,
  to: number,
  figureOf: (now: Now) => number | null | undefined,
): ((now: Now) => Truth) =>
  comparing(comparison, to, (now, least) => {
    const value = figureOf(now);
    return value === null || value === undefined ? null : value >= least;
  });

/** Where a comparison holds. */
export function rangeOf(comparison: Comparison, to: number): Range {
  switch (comparison) {
    case "at-least":
      return { from: to, until: null };
    case "more-than":
      return { from: to + 1, until: null };
    case "at-most":
      return { from: null, until: to + 1 };
    case "less-than":
      return { from: null, until: to };
    case "exactly":
      return { from: to, until: to + 1 };
  }
}

export const COMPARISON_WORDS: Readonly<Record<Comparison, Phrase>> = {
  "at-least": phrase("at least"),
  "more-than": phrase("more than"),
  "at-most": phrase("at most"),
  "less-than": phrase("less than"),
  exactly: phrase("exactly"),
};
