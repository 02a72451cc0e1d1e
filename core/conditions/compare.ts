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
 * Compares whole numbers, of which only "at least" can be asked.
 *
 * @example compares("more-than", 3, (least) => 4 >= least) // true
 */
export function compares(comparison: Comparison, to: number, reaches: (least: number) => Truth): Truth {
  switch (comparison) {
    case "at-least":
      return reaches(to);
    case "more-than":
      return reaches(to + 1);
    case "at-most":
      return not(reaches(to + 1));
    case "less-than":
      return not(reaches(to));
    case "exactly": {
      const [enough, tooMuch] = [reaches(to), reaches(to + 1)];
      return enough === null ? null : enough && tooMuch === false;
    }
  }
}

/** The same for a number that is known, or is not. */
export const compared = (comparison: Comparison, value: number | null | undefined, to: number): Truth =>
  compares(comparison, to, (least) => (value === null || value === undefined ? null : value >= least));

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
