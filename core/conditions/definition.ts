import type { FactConstraint } from "../facts/fact.ts";
import type { MeasureSpec, Scope } from "../measures/measure-spec.ts";
import type { AmountContext, AmountReferences } from "../money/amount.ts";
import type { Problem } from "../schema/problem.ts";
import type { Static, TSchema } from "../schema/type.ts";
import type { Situation } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";

/** Who or what a condition is about. */
export type Family = "shopper" | "place" | "cart" | "moment";

/** What was found where a condition looked; null: not known. */
export type Actual = string | number | boolean | readonly string[] | null;

/** A kind of condition compiled: how it is tested, and what it looks at. */
export type CompiledLeaf = {
  readonly test: (situation: Situation) => Truth;
  readonly actual: (situation: Situation) => Actual;
  /** Whether it looks at the figures of single lines, which a line being added changes with every unit. */
  readonly seesLineFigures: boolean;
};

/** Numbers the measures that a tariff counts. */
export type MeasureNumber = (spec: MeasureSpec | { readonly kind: "lines" }, scope: Scope) => number;

/** Where a condition is compiled for. */
export type ConditionContext = AmountContext & {
  readonly timeZone: string;
  readonly measureNumber: MeasureNumber;
};

/** What a plan's conditions may refer to. */
export type ConditionReferences = AmountReferences & { readonly locations: ReadonlySet<string> };

/** A schema of objects told apart by `kind`. */
type KindSchema = TSchema & { static: AnyKind };

/** One kind of condition: what its file has to say about it. */
type Definition<Schema extends KindSchema> = {
  readonly kind: string;
  readonly family: Family;
  readonly schema: Schema;
  readonly example: Static<Schema>;
  readonly compile: (condition: Static<Schema>, context: ConditionContext) => CompiledLeaf;
  /** The condition as a clause: "the shopper is signed in". */
  readonly words: (condition: Static<Schema>, context: AmountContext) => string;
  /** What it says about which fact; undefined where an amount is missing. */
  readonly constrains: (
    condition: Static<Schema>,
    context: AmountContext & { timeZone: string },
  ) => FactConstraint | undefined;
  readonly problems?: (condition: Static<Schema>, path: string, references: ConditionReferences) => Problem[];
};

/** A condition of any kind, told apart by `kind`. */
export type AnyKind = { readonly kind: string };

/** A definition that can be asked about conditions of any kind; it answers undefined to those that are not its own. */
export type RegisteredDefinition<Schema extends KindSchema = KindSchema> = {
  readonly kind: string;
  readonly family: Family;
  readonly schema: Schema;
  readonly example: AnyKind;
  readonly compile: (condition: AnyKind, context: ConditionContext) => CompiledLeaf | undefined;
  readonly words: (condition: AnyKind, context: AmountContext) => string | undefined;
  readonly constrains: (
    condition: AnyKind,
    context: AmountContext & { timeZone: string },
  ) => { statement: FactConstraint | undefined } | undefined;
  readonly problems: (condition: AnyKind, path: string, references: ConditionReferences) => Problem[];
};

/** Registers a kind of condition. Conditions have been checked against the schemas before they get here. */
export function defineCondition<Schema extends KindSchema>(
  definition: Definition<Schema>,
): RegisteredDefinition<Schema> {
  const own = (condition: AnyKind): condition is Static<Schema> => condition.kind === definition.kind;
  const { kind, family, schema, example } = definition;
  return {
    kind,
    family,
    schema,
    example,
    compile: (condition, context) => (own(condition) ? definition.compile(condition, context) : undefined),
    words: (condition, context) => (own(condition) ? definition.words(condition, context) : undefined),
    constrains: (condition, context) =>
      own(condition) ? { statement: definition.constrains(condition, context) } : undefined,
    problems: (condition, path, references) =>
      own(condition) && definition.problems ? definition.problems(condition, path, references) : [],
  };
}

/** A condition that no single line's figures decide. */
export const leaf = (test: CompiledLeaf["test"], actual: CompiledLeaf["actual"]): CompiledLeaf => ({
  test,
  actual,
  seesLineFigures: false,
});
