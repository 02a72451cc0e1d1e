import { rangeOf } from "../conditions/compare.ts";
import { DEFINITIONS } from "../conditions/condition.ts";
import type { FactConstraint } from "../facts/fact.ts";
import { complement, EVERYTHING, type Intervals, meet } from "../facts/intervals.ts";
import type { Basis } from "../measures/basis.ts";
import { type AmountContext, amountFor } from "../money/amount.ts";
import { rounded } from "../money/linear-amount.ts";
import { milligrams } from "../quantities/quantity.ts";
import { both, type LabelKind, type LineNeed, NO_NEED, type Trait } from "./line-needs.ts";
import type { Literal } from "./normal-form.ts";

/** Names that one has to be, and names it must not be; null: any. */
export type OneName = { readonly in: readonly string[] | null; readonly not: readonly string[] };

/** What a list of clauses asks of shopper, place, cart and moment, fact by fact. */
export type Constraints = {
  flags: Map<string, boolean>;
  numbers: Map<string, Intervals>;
  names: Map<string, OneName>;
  /** Sets of names: some of each list, none of the other. */
  sets: Map<string, { readonly someOf: (readonly string[])[]; readonly noneOf: string[] }>;
  postcodes: { readonly country: string; readonly patterns: readonly string[]; readonly holds: boolean }[];
  bases: { readonly basis: Basis; within: Intervals }[];
  /** Kinds of line that have to be there, and what every line has to be. */
  lines: LineNeed[];
  everyLine: LineNeed;
  /** Whether one of the lists may as well be met by having no line at all. */
  emptyCart: boolean;
};

/**
 * Puts clauses together. A list of alternatives, since "not a line for each of these" can be true in several ways.
 * Empty: they contradict each other. A contradiction found here is one by the meaning of the facts alone.
 */
export function constraintsOf(
  literals: readonly Literal[],
  context: AmountContext & { timeZone: string },
): Constraints[] {
  let all: Constraints[] = [emptyDemands()];
  for (const literal of literals) all = all.flatMap((demands) => withLiteral(demands, literal, context));
  return all;
}

const emptyDemands = (): Constraints => ({
  flags: new Map(),
  numbers: new Map(),
  names: new Map(),
  sets: new Map(),
  postcodes: [],
  bases: [],
  lines: [],
  everyLine: NO_NEED,
  emptyCart: false,
});

function withLiteral(
  demands: Constraints,
  { leaf, holds }: Literal,
  context: AmountContext & { timeZone: string },
): Constraints[] {
  switch (leaf.kind) {
    case "goods":
      return withGoods(demands, leaf, holds);
    case "trait":
      return withLines(
        demands,
        leaf.how,
        (wanted) => ({ ...NO_NEED, traits: [{ trait: leaf.trait satisfies Trait, wanted }] }),
        holds,
      );
    case "line": {
      const { figure } = leaf;
      const to =
        figure.kind === "price"
          ? amountFor(figure.amount, context)
          : figure.kind === "quantity"
            ? figure.count
            : rounded(milligrams(figure.weight));
      if (to === undefined) return [];
      const within = [rangeOf(figure.is, to)];
      return withLines(
        demands,
        leaf.how,
        (wanted) => ({ ...NO_NEED, figures: [{ figure: figure.kind, within: wanted ? within : complement(within) }] }),
        holds,
      );
    }
    case "value": {
      const to = amountFor(leaf.amount, context);
      if (to === undefined) return [];
      const range = [rangeOf(leaf.is, to)];
      const within = meet(holds ? range : complement(range), [{ from: 0, until: null }]);
      const key = JSON.stringify(leaf.basis);
      const known = demands.bases.find(({ basis }) => JSON.stringify(basis) === key);
      const met = known ? meet(known.within, within) : within;
      if (met.length === 0) return [];
      const others = demands.bases.filter((one) => one !== known);
      return [{ ...demands, bases: [...others, { basis: leaf.basis, within: met }] }];
    }
    case "postcode":
      return [
        { ...demands, postcodes: [...demands.postcodes, { country: leaf.country, patterns: leaf.patterns, holds }] },
      ];
    default:
      return withConstraint(demands, statementOf(leaf, context), holds);
  }
}

function statementOf(leaf: Literal["leaf"], context: AmountContext & { timeZone: string }): FactConstraint | undefined {
  for (const definition of DEFINITIONS) {
    const found = definition.constrains(leaf, context);
    if (found) return found.statement;
  }
  return undefined;
}

function withConstraint(demands: Constraints, statement: FactConstraint | undefined, holds: boolean): Constraints[] {
  if (!statement) return [];
  const { fact, within } = statement;
  switch (within.kind) {
    case "true": {
      const known = demands.flags.get(fact);
      return known !== undefined && known !== holds
        ? []
        : [{ ...demands, flags: new Map(demands.flags).set(fact, holds) }];
    }
    case "ranges": {
      // Ranges of one statement may overlap or touch: taken as a set, both ways.
      const outside = within.ranges.reduce<Intervals>((rest, range) => meet(rest, complement([range])), EVERYTHING);
      const asked = holds ? complement(outside) : outside;
      const met = meet(demands.numbers.get(fact) ?? EVERYTHING, asked);
      return met.length === 0 ? [] : [{ ...demands, numbers: new Map(demands.numbers).set(fact, met) }];
    }
    case "names": {
      if (statement.domain.kind === "names") {
        const known = demands.sets.get(fact) ?? { someOf: [], noneOf: [] };
        const next = holds
          ? { ...known, someOf: [...known.someOf, within.of] }
          : { ...known, noneOf: [...known.noneOf, ...within.of] };
        const possible = next.someOf.every((list) => list.some((name) => !next.noneOf.includes(name)));
        return possible ? [{ ...demands, sets: new Map(demands.sets).set(fact, next) }] : [];
      }
      const known = demands.names.get(fact) ?? { in: null, not: [] };
      const next: OneName = holds
        ? { in: known.in ? known.in.filter((name) => within.of.includes(name)) : within.of, not: known.not }
        : { in: known.in, not: [...known.not, ...within.of] };
      const left = next.in?.filter((name) => !next.not.includes(name));
      return left?.length === 0
        ? []
        : [{ ...demands, names: new Map(demands.names).set(fact, { ...next, in: left ?? null }) }];
    }
    case "patterns":
      return [demands];
  }
}

/** Some line, no line, every line: each as a kind of line that has to be there, or as what all lines are. */
function withLines(
  demands: Constraints,
  how: "any" | "none" | "only",
  need: (wanted: boolean) => LineNeed,
  holds: boolean,
): Constraints[] {
  if (how === "any") return [holds ? withLine(demands, need(true)) : withEvery(demands, need(false))];
  if (how === "none") return withLines(demands, "any", need, !holds);
  return [holds ? withEvery(demands, need(true)) : withLine(demands, need(false))];
}

const withLine = (demands: Constraints, need: LineNeed): Constraints => ({
  ...demands,
  lines: [...demands.lines, need],
});
const withEvery = (demands: Constraints, need: LineNeed): Constraints => ({
  ...demands,
  everyLine: both(demands.everyLine, need),
});

function withGoods(
  demands: Constraints,
  { by, how, of }: { by: LabelKind; how: "any" | "none" | "only" | "all"; of: readonly string[] },
  holds: boolean,
): Constraints[] {
  const need =
    (names: readonly string[]) =>
    (wanted: boolean): LineNeed => ({
      ...NO_NEED,
      labels: [{ kind: by, in: names, wanted }],
    });
  if (how !== "all") return withLines(demands, how, need(of), holds);
  // A line for each; or one of them for which there is none.
  if (holds) return [of.reduce((next, name) => withLine(next, need([name])(true)), demands)];
  return of.map((name) => withEvery(demands, need([name])(false)));
}
