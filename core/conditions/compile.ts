import type { Situation } from "../situation/situation.ts";
import { allOf, anyOf, not, type Truth } from "../situation/truth.ts";
import { type Condition, type SavedConditions, shapeOf } from "./condition.ts";
import type { Actual, ConditionContext, Sees } from "./definition.ts";
import { conditionKind } from "./registry.ts";

/** Why a condition holds, fails or cannot be told: the whole tree, each plain condition with what was found there. */
export type Trace = {
  readonly truth: Truth;
  readonly condition: Condition;
  readonly actual?: Actual;
  readonly of?: readonly Trace[];
};

/** A condition ready to be tested, fast or with its reasons. Both look at the same. */
export type CompiledCondition = {
  readonly test: (situation: Situation) => Truth;
  /** @param shown saved conditions taken apart already: each is once, so that no account grows beyond what is stated */
  readonly explain: (situation: Situation, shown?: Set<string>) => Trace;
  readonly sees: Sees;
  readonly seesLineFigures: boolean;
};

/** Compiles one condition; see {@link conditionCompiler}. */
export const compileCondition = (
  condition: Condition,
  context: ConditionContext,
  saved: SavedConditions,
): CompiledCondition => conditionCompiler(context, saved)(condition);

/**
 * Compiles conditions for one place and currency, whose saved ones exist and go in no circle. A saved condition is compiled once,
 * however often it is named, and asked once of each situation.
 */
export function conditionCompiler(
  context: ConditionContext,
  saved: SavedConditions,
): (condition: Condition) => CompiledCondition {
  const compiled = new Map<string, CompiledCondition>();
  const compile = (condition: Condition): CompiledCondition => {
    const shape = shapeOf(condition);
    switch (shape.role) {
      case "every":
      case "some":
        return together(condition, shape.role, shape.parts.map(compile));
      case "negation":
        return negated(condition, compile(shape.part));
      case "reference":
        return named(condition, shape.id, compileSaved(shape.id));
      case "plain": {
        const { test, actual, ...looks } = conditionKind(shape.condition).compile(shape.condition, context);
        return {
          test: looks.sees === "figures" ? test : onceAsGoodsAreAdded(test, looks.sees),
          explain: (situation) => ({ truth: test(situation), condition, actual: actual(situation) }),
          ...looks,
        };
      }
    }
  };
  const compileSaved = (id: string): CompiledCondition => {
    const before = compiled.get(id);
    if (before) return before;
    const found = saved.get(id);
    if (!found) throw new RangeError(`there is no saved condition "${id}"`);
    const part = compile(found.when);
    // What sees no figures is asked once already.
    const known = part.sees === "figures" ? { ...part, test: oncePerSituation(part.test) } : part;
    compiled.set(id, known);
    return known;
  };
  return compile;
}

function together(
  condition: Condition,
  role: "every" | "some",
  parts: readonly CompiledCondition[],
): CompiledCondition {
  const tests = parts.map(({ test }) => test);
  const sees = SEES[Math.max(...parts.map((part) => SEES.indexOf(part.sees)))] ?? "facts";
  const [combine, settling] = role === "every" ? ([allOf, false] as const) : ([anyOf, true] as const);
  const test = (situation: Situation): Truth => {
    let result: Truth = !settling;
    for (const one of tests) {
      const truth = one(situation);
      if (truth === settling) return settling;
      if (truth === null) result = null;
    }
    return result;
  };
  return {
    test: sees === "figures" ? test : onceAsGoodsAreAdded(test, sees),
    explain: (situation, shown = new Set()) => {
      const of = parts.map((part) => part.explain(situation, shown));
      return { truth: combine(of.map(({ truth }) => truth)), condition, of };
    },
    sees,
    seesLineFigures: parts.some((part) => part.seesLineFigures),
  };
}

const negated = (condition: Condition, part: CompiledCondition): CompiledCondition => ({
  test: (situation) => not(part.test(situation)),
  explain: (situation, shown = new Set()) => {
    const inner = part.explain(situation, shown);
    return { truth: not(inner.truth), condition, of: [inner] };
  },
  sees: part.sees,
  seesLineFigures: part.seesLineFigures,
});

const named = (condition: Condition, id: string, part: CompiledCondition): CompiledCondition => ({
  ...part,
  explain: (situation, shown = new Set()) => {
    if (shown.has(id)) return { truth: part.test(situation), condition };
    shown.add(id);
    const inner = part.explain(situation, shown);
    return { truth: inner.truth, condition, of: [inner] };
  },
});

const SEES: readonly Sees[] = ["facts", "lines", "figures"];

/** Remembers the answer for the situation asked about last, and how long it stands: whoever asks next is told that too. */
function oncePerSituation(test: CompiledCondition["test"]): CompiledCondition["test"] {
  let last = 0;
  let truth: Truth = null;
  let units = Number.POSITIVE_INFINITY;
  return (situation) => {
    const { number, horizon } = situation;
    if (number === last) horizon?.limit(units);
    else {
      last = number;
      const others = horizon?.alone() ?? 0;
      truth = test(situation);
      if (horizon) units = horizon.both(others);
    }
    return truth;
  };
}

/** The same for what sees no figures: it is not asked again as goods are added. */
function onceAsGoodsAreAdded(
  test: CompiledCondition["test"],
  sees: Exclude<Sees, "figures">,
): CompiledCondition["test"] {
  let facts = 0;
  let lines = 0;
  let truth: Truth = null;
  return (situation) => {
    if (situation.facts.number !== facts || (sees === "lines" && situation.linesAs !== lines)) {
      truth = test(situation);
      facts = situation.facts.number;
      lines = situation.linesAs;
    }
    return truth;
  };
}
