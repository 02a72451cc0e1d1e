import { type Condition, type SavedConditions, shapeOf } from "../conditions/condition.ts";
import type { PlainCondition } from "../conditions/registry.ts";

/** A clause that has to hold, or has to fail. */
export type Literal = { readonly leaf: PlainCondition; readonly holds: boolean };

/** Clauses that hold or fail together: one way in which a condition comes true, or false. */
export type Disjunct = readonly Literal[];

/** Most ways a condition is taken apart into; beyond that an analysis says that it cannot decide. */
const MOST_DISJUNCTS = 3000;

/** Saved conditions taken apart already, by what is wanted of them and id. */
type Known = ReadonlyMap<boolean, Map<string, Disjunct[] | undefined>>;

/**
 * The ways in which a condition can come true (or false): its disjunctive normal form. Undefined when there are too many to look
 * at.
 *
 * @example toDisjuncts({ kind: "not", of: { kind: "all", of: [a, b] } }, true, saved) // [[a fails], [b fails]]
 */
export function toDisjuncts(
  condition: Condition,
  wanted: boolean,
  saved: SavedConditions,
  known: Known = new Map([true, false].map((one) => [one, new Map()])),
): Disjunct[] | undefined {
  const shape = shapeOf(condition);
  switch (shape.role) {
    case "negation":
      return toDisjuncts(shape.part, !wanted, saved, known);
    case "reference": {
      // Taken apart once, however often it is named.
      const before = known.get(wanted);
      const found = saved.get(shape.id);
      if (!before?.has(shape.id)) before?.set(shape.id, found ? toDisjuncts(found.when, wanted, saved, known) : []);
      return before?.get(shape.id);
    }
    case "every":
    case "some": {
      // What is named twice says nothing the second time.
      const parts = [...new Set(shape.parts.map((part) => toDisjuncts(part, wanted, saved, known)))];
      const whole = parts.filter((part) => part !== undefined);
      if (whole.length < parts.length) return undefined;
      return (shape.role === "every") === wanted ? conjunction(whole) : disjunction(whole);
    }
    case "plain":
      return [[{ leaf: shape.condition, holds: wanted }]];
  }
}

const includes = (disjunct: Disjunct, { leaf, holds }: Literal): boolean =>
  disjunct.some((other) => other.leaf === leaf && other.holds === holds);

function disjunction(parts: readonly Disjunct[][]): Disjunct[] | undefined {
  const all = parts.flat();
  return all.length > MOST_DISJUNCTS ? undefined : all;
}

function conjunction(parts: readonly Disjunct[][]): Disjunct[] | undefined {
  let all: Disjunct[] = [[]];
  for (const part of parts) {
    if (all.length * part.length > MOST_DISJUNCTS) return undefined;
    all = all.flatMap((one) => part.map((more) => [...one, ...more.filter((literal) => !includes(one, literal))]));
  }
  return all;
}
