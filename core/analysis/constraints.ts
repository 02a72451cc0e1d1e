import { type FactConstraint, type LineNeed, NO_NEED, type WantedLine } from "../conditions/constraint.ts";
import { conditionKind } from "../conditions/registry.ts";
import type { Asked } from "../facts/asked.ts";
import type { Fact, OneName, SomeNames } from "../facts/fact.ts";
import { complement, EVERYTHING, type Intervals, meet } from "../facts/intervals.ts";
import type { Basis } from "../measures/basis.ts";
import type { AmountContext } from "../money/amount.ts";
import { both } from "./line-shape.ts";
import type { Literal } from "./normal-form.ts";

/** What a list of clauses asks of shopper, place, cart and moment, fact by fact. */
export type Constraints = Asked & {
  /** Metres from locations of the plan, by location. */
  readonly away: ReadonlyMap<string, Intervals>;
  readonly values: readonly { readonly basis: Basis; readonly within: Intervals }[];
  /** Kinds of line that have to be there, and what every line has to be. */
  readonly lines: readonly LineNeed[];
  readonly everyLine: LineNeed;
};

const NOTHING: Constraints = {
  flags: new Map(),
  numbers: new Map(),
  names: new Map(),
  sets: new Map(),
  postcodes: [],
  away: new Map(),
  values: [],
  lines: [],
  everyLine: NO_NEED,
};

/**
 * Puts clauses together. A list of alternatives, since "not a line for each of these" can be true in several ways.
 * Empty: they contradict each other. A contradiction found here is one by the meaning of the facts alone.
 */
export function constraintsOf(
  literals: readonly Literal[],
  context: AmountContext & { timeZone: string },
): Constraints[] {
  let all: Constraints[] = [NOTHING];
  for (const { leaf, holds } of literals) {
    const constraint = conditionKind(leaf).constrains(leaf, context);
    // Without an amount it is not known, and unknown grants nothing.
    if (!constraint) return [];
    all = all.flatMap((constraints) => withConstraint(constraints, constraint, holds));
  }
  return all;
}

function withConstraint(constraints: Constraints, { fact, within }: FactConstraint, holds: boolean): Constraints[] {
  switch (within.kind) {
    case "true":
      return withFlag(constraints, fact, holds);
    case "ranges": {
      // Ranges of one statement may overlap or touch: taken as a set, both ways.
      const outside = within.ranges.reduce<Intervals>((rest, range) => meet(rest, complement([range])), EVERYTHING);
      const numbers = narrowed(constraints.numbers, fact, holds ? complement(outside) : outside);
      return numbers ? [{ ...constraints, numbers }] : [];
    }
    case "away": {
      const asked = holds ? [within.range] : complement([within.range]);
      const away = narrowed(constraints.away, within.location, asked);
      return away ? [{ ...constraints, away }] : [];
    }
    case "names":
      return fact.domain.kind === "names"
        ? withSet(constraints, fact, within.of, holds)
        : withName(constraints, fact, within.of, holds);
    case "patterns": {
      const { country, patterns } = within;
      return [{ ...constraints, postcodes: [...constraints.postcodes, { fact, country, patterns, holds }] }];
    }
    case "value":
      return withValue(constraints, within.basis, holds ? [within.range] : complement([within.range]));
    case "lines":
      return withLines(constraints, within.how, within.need, holds);
    case "line-for-each":
      // A line for each; or one of them for which there is none.
      return holds
        ? [within.needs.reduce((next, need) => withLine(next, need(true)), constraints)]
        : within.needs.map((need) => withEvery(constraints, need(false)));
  }
}

/** Numbers asked of one more; undefined where none is left. */
function narrowed<Key>(
  known: ReadonlyMap<Key, Intervals>,
  key: Key,
  asked: Intervals,
): ReadonlyMap<Key, Intervals> | undefined {
  const met = meet(known.get(key) ?? EVERYTHING, asked);
  return met.length === 0 ? undefined : new Map(known).set(key, met);
}

function withFlag(constraints: Constraints, fact: Fact, holds: boolean): Constraints[] {
  const known = constraints.flags.get(fact);
  return known !== undefined && known !== holds
    ? []
    : [{ ...constraints, flags: new Map(constraints.flags).set(fact, holds) }];
}

function withSet(constraints: Constraints, fact: Fact, of: readonly string[], holds: boolean): Constraints[] {
  const known: SomeNames = constraints.sets.get(fact) ?? { someOf: [], noneOf: [] };
  const next = holds ? { ...known, someOf: [...known.someOf, of] } : { ...known, noneOf: [...known.noneOf, ...of] };
  const possible = next.someOf.every((list) => list.some((name) => !next.noneOf.includes(name)));
  return possible ? [{ ...constraints, sets: new Map(constraints.sets).set(fact, next) }] : [];
}

function withName(constraints: Constraints, fact: Fact, of: readonly string[], holds: boolean): Constraints[] {
  const known: OneName = constraints.names.get(fact) ?? { in: null, not: [] };
  const next: OneName = holds
    ? { in: known.in ? known.in.filter((name) => of.includes(name)) : of, not: known.not }
    : { in: known.in, not: [...known.not, ...of] };
  const left = next.in?.filter((name) => !next.not.includes(name));
  return left?.length === 0
    ? []
    : [{ ...constraints, names: new Map(constraints.names).set(fact, { ...next, in: left ?? null }) }];
}

function withValue(constraints: Constraints, basis: Basis, asked: Intervals): Constraints[] {
  const key = JSON.stringify(basis);
  const known = constraints.values.find((one) => JSON.stringify(one.basis) === key);
  const met = meet(known?.within ?? [{ from: 0, until: null }], asked);
  if (met.length === 0) return [];
  return [{ ...constraints, values: [...constraints.values.filter((one) => one !== known), { basis, within: met }] }];
}

/** Some line, no line, every line: each as a kind of line that has to be there, or as what all lines are. */
function withLines(
  constraints: Constraints,
  how: "any" | "none" | "only",
  need: WantedLine,
  holds: boolean,
): Constraints[] {
  if (how === "any") return [holds ? withLine(constraints, need(true)) : withEvery(constraints, need(false))];
  if (how === "none") return withLines(constraints, "any", need, !holds);
  return [holds ? withEvery(constraints, need(true)) : withLine(constraints, need(false))];
}

const withLine = (constraints: Constraints, need: LineNeed): Constraints => ({
  ...constraints,
  lines: [...constraints.lines, need],
});
const withEvery = (constraints: Constraints, need: LineNeed): Constraints => ({
  ...constraints,
  everyLine: both(constraints.everyLine, need),
});
