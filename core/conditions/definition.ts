import type { Static, TSchema } from "@sinclair/typebox";
import type { MeasureSpec } from "../measures/measure.ts";
import type { Threshold } from "../measures/threshold.ts";
import type { AmountContext, AmountReferences } from "../money/amount.ts";
import type { Problem } from "../plan/problem.ts";
import type { Situation } from "./facts.ts";
import type { Truth } from "./truth.ts";

/** Who or what a condition is about. */
export type Family = "shopper" | "place" | "cart" | "moment";

/** A condition ready to be tested, and every comparison of a measure that it makes. */
export type CompiledCondition = {
  readonly test: (situation: Situation) => Truth;
  readonly thresholds: readonly Threshold[];
  /** Whether it looks at which lines there are, not only at what they are worth together. */
  readonly seesLines: boolean;
};

/** Where a condition is compiled for. */
export type ConditionContext = AmountContext & {
  readonly timeZone: string;
  readonly measureNumber: (measure: MeasureSpec) => number;
};

/** A schema of objects told apart by `kind`. */
type KindSchema = TSchema & { static: AnyKind };

/** One kind of condition: what its file has to say about it. */
type Definition<Schema extends KindSchema> = {
  readonly kind: string;
  readonly family: Family;
  readonly schema: Schema;
  readonly example: Static<Schema>;
  readonly compile: (condition: Static<Schema>, context: ConditionContext) => CompiledCondition;
  /** The condition as a clause: "the shopper is signed in". */
  readonly words: (condition: Static<Schema>, context: AmountContext) => string;
  readonly problems?: (condition: Static<Schema>, path: string, references: AmountReferences) => Problem[];
};

/** A condition of any kind, told apart by `kind`. */
export type AnyKind = { readonly kind: string };

/** A definition that can be asked about conditions of any kind; it answers undefined to those that are not its own. */
export type RegisteredDefinition<Schema extends KindSchema = KindSchema> = {
  readonly kind: string;
  readonly family: Family;
  readonly schema: Schema;
  readonly example: AnyKind;
  readonly compile: (condition: AnyKind, context: ConditionContext) => CompiledCondition | undefined;
  readonly words: (condition: AnyKind, context: AmountContext) => string | undefined;
  readonly problems: (condition: AnyKind, path: string, references: AmountReferences) => Problem[];
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
    problems: (condition, path, references) =>
      own(condition) && definition.problems ? definition.problems(condition, path, references) : [],
  };
}

/** A condition about facts that no goods change. */
export const constant = (test: CompiledCondition["test"]): CompiledCondition => ({
  test,
  thresholds: [],
  seesLines: false,
});
