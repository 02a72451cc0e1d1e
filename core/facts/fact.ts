/** What the values of a fact can be, so that an analysis can enumerate or intersect them. */
export type Domain =
  | { readonly kind: "flag" }
  /** Whole numbers from zero on. */
  | { readonly kind: "number" }
  /** One of names without end. */
  | { readonly kind: "name" }
  /** A set of such names. */
  | { readonly kind: "names" }
  /** Minutes of a day, days of a week: values from 0 to below `length`, round and round. */
  | { readonly kind: "cycle"; readonly length: number }
  /** Milliseconds of UTC. */
  | { readonly kind: "instant" }
  /** Postcodes of one country. */
  | { readonly kind: "postcode"; readonly country: string };

/** A half-open range of numbers; null on a side: without end. */
export type Range = { readonly from: number | null; readonly until: number | null };

/**
 * What a condition of one kind says: `fact`, with values of `domain`, lies within. An analysis reads this instead of the
 * condition, so that it needs no second model of what conditions mean.
 */
export type FactConstraint = { readonly fact: string; readonly domain: Domain; readonly within: Within };

export type Within =
  | { readonly kind: "true" }
  | { readonly kind: "ranges"; readonly ranges: readonly Range[] }
  | { readonly kind: "names"; readonly how: "any" | "none" | "only" | "all"; readonly of: readonly string[] }
  | { readonly kind: "patterns"; readonly patterns: readonly string[] };

export const flag = (fact: string): FactConstraint => ({ fact, domain: { kind: "flag" }, within: { kind: "true" } });

export const oneOf = (fact: string, of: readonly string[]): FactConstraint => ({
  fact,
  domain: { kind: "name" },
  within: { kind: "names", how: "any", of },
});

export const ranged = (fact: string, domain: Domain, ...ranges: Range[]): FactConstraint => ({
  fact,
  domain,
  within: { kind: "ranges", ranges },
});

/** The edges of a statement: values at which it turns, each the first of what follows. */
export function breakpoints({ within }: FactConstraint): number[] {
  if (within.kind !== "ranges") return [];
  const edges = within.ranges.flatMap(({ from, until }) => [from, until]).filter((edge) => edge !== null);
  return [...new Set(edges)].sort((a, b) => a - b);
}
