import { type Condition, shapeOf } from "../conditions/condition.ts";
import type { Within } from "../conditions/constraint.ts";
import { conditionKind } from "../conditions/registry.ts";
import { visitFollowing } from "../conditions/visit.ts";
import type { Intervals, Range } from "../facts/intervals.ts";
import { savedOf } from "../plan/plan.ts";
import { type Constraints, constraintsOf } from "./constraints.ts";
import { toDisjuncts } from "./normal-form.ts";
import { clauseContext, type World } from "./world.ts";

/** Ways in which a condition comes true (or false): those at one value of something counted alone, and whether there are others. */
export type SingleValues = { readonly ways: readonly Condition[]; readonly others: boolean };

/**
 * What of a condition is so at a single value alone, as where one list ends "below 50" and the next begins "above 50": at 50.
 *
 * @returns undefined where there is too much to take apart
 * @example singleValues(world, all(items at most 10, items at least 10), true).ways // one: at ten
 */
export function singleValues(world: World, condition: Condition, wanted: boolean): SingleValues | undefined {
  const disjuncts = toDisjuncts(condition, wanted, savedOf(world.compiled.plan));
  if (!disjuncts) return undefined;
  const ways: Condition[] = [];
  let others = false;
  for (const way of disjuncts) {
    const possible = world.contexts.flatMap((where) => constraintsOf(way, clauseContext(world, where)));
    if (possible.length === 0) continue;
    if (possible.every(isSingle))
      ways.push({ kind: "all", of: way.map(({ leaf, holds }) => (holds ? leaf : { kind: "not", of: leaf })) });
    else others = true;
  }
  return { ways, others };
}

/** Whether something counted is left with one value. */
const isSingle = ({ numbers, values, away }: Constraints): boolean =>
  [...numbers.values(), ...away.values(), ...values.map(({ within }) => within)].some(isOneValue);

const isOneValue = (within: Intervals): boolean => {
  const [range, ...more] = within;
  return (
    range !== undefined &&
    more.length === 0 &&
    range.from !== null &&
    range.until !== null &&
    range.from > 0 &&
    range.until - range.from === 1
  );
};

/** A value at which something counted begins or ends to be as a condition asks; `of` is the same text for the same thing. */
export type Bound = { readonly of: string; readonly at: number };

/** Those of a condition and the saved ones it names, in every currency of a world. */
export function boundsIn(world: World, condition: Condition): Bound[] {
  return [...visitFollowing(condition, savedOf(world.compiled.plan))].flatMap((part) => {
    const shape = shapeOf(part);
    if (shape.role !== "plain") return [];
    return world.contexts.flatMap((where) => {
      const found = conditionKind(shape.condition).constrains(shape.condition, clauseContext(world, where));
      const of = `${found?.fact.name} ${wordsOf(found?.within)} ${where.currency}`;
      return rangesOf(found?.within)
        .flatMap(({ from, until }) => [from, until])
        .flatMap((at) => (at === null ? [] : [{ of, at }]));
    });
  });
}

function rangesOf(within: Within | undefined): readonly Range[] {
  switch (within?.kind) {
    case "ranges":
      return within.ranges;
    case "away":
    case "value":
      return [within.range];
    default:
      return [];
  }
}

/** What of a fact is counted, where it is counted in several ways. */
const wordsOf = (within: Within | undefined): string =>
  within?.kind === "value" ? JSON.stringify(within.basis) : within?.kind === "away" ? within.location : "";
