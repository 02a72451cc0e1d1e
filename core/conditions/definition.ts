import type { MeasureNumber } from "../measures/measure-numbers.ts";
import type { AmountContext, AmountReferences } from "../money/amount.ts";
import type { Phrase } from "../phrases/phrase.ts";
import { type KindSchema, ownKind } from "../schema/kinds.ts";
import type { Problem } from "../schema/problem.ts";
import type { Static } from "../schema/type.ts";
import type { Situation } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";
import type { FactConstraint } from "./constraint.ts";
import type { AnyCondition } from "./reference.ts";

/** Who or what a condition is about. */
export type Family = "shopper" | "place" | "cart" | "moment";

/** What was found where a condition looked; null: not known. */
export type Actual = string | number | boolean | readonly string[] | null;

/**
 * What a condition looks at: what holds whatever is in the cart, what the lines are besides, or their figures too. As goods are
 * added, only figures change.
 */
export type Sees = "facts" | "lines" | "figures";

/** A kind of condition compiled: how it is tested, and what it looks at. */
export type CompiledLeaf = {
  readonly sees: Sees;
  readonly test: (situation: Situation) => Truth;
  readonly actual: (situation: Situation) => Actual;
  /** Whether it looks at the figures of single lines, which a line being added changes with every unit. */
  readonly seesLineFigures: boolean;
};

/** Where a condition is compiled for. */
export type ConditionContext = AmountContext & {
  readonly timeZone: string;
  readonly measureNumber: MeasureNumber;
};

/** What a plan's conditions may refer to. */
export type ConditionReferences = AmountReferences & { readonly locations: ReadonlySet<string> };

/** How what was found is written: as it is, as a message of the catalogue, or in units of money, weight or way. */
export type FoundIn = "words" | "message" | "money" | "weight" | "distance";

/** One kind of condition: all that there is to say about it. */
export type ConditionDefinition<Schema extends KindSchema> = {
  readonly kind: Static<Schema>["kind"];
  readonly family: Family;
  readonly schema: Schema;
  readonly example: Static<Schema>;
  readonly compile: (condition: Static<Schema>, context: ConditionContext) => CompiledLeaf;
  /** The condition as a clause: "the shopper is signed in". */
  readonly words: (condition: Static<Schema>, context: AmountContext) => Phrase;
  /** What numbers found by it are; plain words unless given. */
  readonly found?: FoundIn;
  /** What it says about which fact; undefined where an amount is missing. */
  readonly constrains: (
    condition: Static<Schema>,
    context: AmountContext & { timeZone: string },
  ) => FactConstraint | undefined;
  readonly problems?: (condition: Static<Schema>, path: string, references: ConditionReferences) => Problem[];
  /** Places it speaks of: regions and countries that have to be told apart, and addresses worth looking from. */
  readonly places?: (condition: Static<Schema>) => PlacesNamed;
};

export type PlacesNamed = {
  /** Regions, and countries that are regions of others. */
  readonly regions?: readonly string[];
  readonly countries?: readonly string[];
  readonly postcodes?: { readonly country: string; readonly patterns: readonly string[] };
};

/** A definition that can be asked about conditions of any kind; it throws at those that are not its own. */
export type RegisteredCondition<Schema extends KindSchema = KindSchema> = {
  readonly kind: string;
  readonly family: Family;
  readonly schema: Schema;
  readonly example: Static<Schema>;
  readonly found: FoundIn;
  readonly compile: (condition: AnyCondition, context: ConditionContext) => CompiledLeaf;
  readonly words: (condition: AnyCondition, context: AmountContext) => Phrase;
  readonly constrains: (
    condition: AnyCondition,
    context: AmountContext & { timeZone: string },
  ) => FactConstraint | undefined;
  readonly problems: (condition: AnyCondition, path: string, references: ConditionReferences) => Problem[];
  readonly places: (condition: AnyCondition) => PlacesNamed;
};

/**
 * Makes a kind of condition ready for the registry.
 *
 * @example defineCondition({ kind: "signed-in", family: "shopper", schema, example, compile, words, constrains })
 */
export function defineCondition<Schema extends KindSchema>(
  definition: ConditionDefinition<Schema>,
): RegisteredCondition<Schema> {
  const { kind, family, schema, example, found = "words" } = definition;
  const own = ownKind<Schema>(kind, "condition");
  return {
    kind,
    family,
    schema,
    example,
    found,
    compile: (condition, context) => definition.compile(own(condition), context),
    words: (condition, context) => definition.words(own(condition), context),
    constrains: (condition, context) => definition.constrains(own(condition), context),
    problems: (condition, path, references) => definition.problems?.(own(condition), path, references) ?? [],
    places: (condition) => definition.places?.(own(condition)) ?? {},
  };
}

/** A condition that no single line's figures decide. */
export const leaf = (
  test: CompiledLeaf["test"],
  actual: CompiledLeaf["actual"],
  sees: Sees = "facts",
): CompiledLeaf => ({ test, actual, sees, seesLineFigures: false });
