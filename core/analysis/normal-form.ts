import type { Condition, Saved } from "../conditions/condition.ts";

export type PlainCondition = Exclude<Condition, { kind: "all" | "any" | "not" | "saved" }>;

/** A clause that has to hold, or has to fail. */
export type Literal = { readonly leaf: PlainCondition; readonly holds: boolean };

/** Most ways a condition is taken apart into; beyond that an analysis says that it cannot decide. */
const MOST_WAYS = 3000;

/**
 * The ways in which a condition can come true (or false): each a list of clauses that have to hold or fail together.
 * Undefined when there are too many to look at.
 *
 * @example waysTo({ kind: "not", of: { kind: "all", of: [a, b] } }, true, saved) // [[a fails], [b fails]]
 */
export function toDisjuncts(
  condition: Condition,
  wanted: boolean,
  saved: Saved,
  known: Map<string, Literal[][] | undefined> = new Map(),
): Literal[][] | undefined {
  switch (condition.kind) {
    case "not":
      return toDisjuncts(condition.of, !wanted, saved, known);
    case "saved": {
      // Taken apart once, however often it is named.
      const key = `${wanted} ${condition.id}`;
      const found = saved.get(condition.id);
      if (!known.has(key)) known.set(key, found ? toDisjuncts(found.when, wanted, saved, known) : []);
      return known.get(key);
    }
    case "all":
    case "any": {
      // What is named twice says nothing the second time.
      const parts = [...new Set(condition.of.map((part) => toDisjuncts(part, wanted, saved, known)))];
      const whole = parts.filter((part) => part !== undefined);
      if (whole.length < parts.length) return undefined;
      return (condition.kind === "all") === wanted ? together(whole) : oneOf(whole);
    }
    default:
      return [[{ leaf: condition, holds: wanted }]];
  }
}

const states = (way: readonly Literal[], { leaf, holds }: Literal): boolean =>
  way.some((other) => other.leaf === leaf && other.holds === holds);

function oneOf(parts: readonly Literal[][][]): Literal[][] | undefined {
  const ways = parts.flat();
  return ways.length > MOST_WAYS ? undefined : ways;
}

function together(parts: readonly Literal[][][]): Literal[][] | undefined {
  let ways: Literal[][] = [[]];
  for (const part of parts) {
    if (ways.length * part.length > MOST_WAYS) return undefined;
    ways = ways.flatMap((way) => part.map((more) => [...way, ...more.filter((literal) => !states(way, literal))]));
  }
  return ways;
}
