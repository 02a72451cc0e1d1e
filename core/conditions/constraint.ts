import type { Fact } from "../facts/fact.ts";
import type { Intervals, Range } from "../facts/intervals.ts";
import type { Basis } from "../measures/basis.ts";

/**
 * What a condition of one kind says of which fact. An analysis reads this instead of the condition, so that it needs no second
 * model of what conditions mean, and knows no kind by name.
 */
export type FactConstraint = { readonly fact: Fact; readonly within: Within };

export type Within =
  | { readonly kind: "true" }
  | { readonly kind: "ranges"; readonly ranges: readonly Range[] }
  /** Of a fact with one name: it is one of these. Of a set of names: it has some of these. */
  | { readonly kind: "names"; readonly of: readonly string[] }
  | { readonly kind: "patterns"; readonly country: string; readonly patterns: readonly string[] }
  /** Metres from a location of the plan. */
  | { readonly kind: "away"; readonly location: string; readonly range: Range }
  | { readonly kind: "value"; readonly basis: Basis; readonly range: Range }
  /** Some, no or every line is so; or there is a line for each. `need` says what a line is that is so, or is not. */
  | { readonly kind: "lines"; readonly how: "any" | "none" | "only"; readonly need: WantedLine }
  | { readonly kind: "line-for-each"; readonly needs: readonly WantedLine[] };

export const isTrue = (fact: Fact): FactConstraint => ({ fact, within: { kind: "true" } });

export const oneOf = (fact: Fact, of: readonly string[]): FactConstraint => ({ fact, within: { kind: "names", of } });

export const inRanges = (fact: Fact, ...ranges: Range[]): FactConstraint => ({
  fact,
  within: { kind: "ranges", ranges },
});

/** Labels of lines by which conditions ask: several on a line, or one at most. */
export type LabelKind = "categories" | "tags" | "skus" | "parcel-classes";
export type LineTrait = "used" | "new" | "ships-free" | "own-charge" | "nothing-to-ship" | "reduced";
export type LineFigureKind = "price" | "quantity" | "weight";

/** One kind of line asked for, or what every line has to be. Empty parts ask nothing. */
export type LineNeed = {
  readonly labels: readonly { readonly kind: LabelKind; readonly in: readonly string[]; readonly wanted: boolean }[];
  readonly traits: readonly { readonly trait: LineTrait; readonly wanted: boolean }[];
  readonly figures: readonly { readonly figure: LineFigureKind; readonly within: Intervals }[];
};

export type WantedLine = (wanted: boolean) => LineNeed;

export const NO_NEED: LineNeed = { labels: [], traits: [], figures: [] };
