import type { CompiledCondition, Trace } from "../conditions/compile.ts";
import type { Condition, SavedConditions } from "../conditions/condition.ts";
import type { ConditionReferences } from "../conditions/definition.ts";
import type { MeasureNumber } from "../measures/measure-numbers.ts";
import type { MeasureSpec } from "../measures/measure-spec.ts";
import type { Amount, AmountContext, ReadersNames } from "../money/amount.ts";
import type { LinearAmount } from "../money/linear-amount.ts";
import type { Phrase, PhraseValue } from "../phrases/phrase.ts";
import { type KindSchema, ownKind } from "../schema/kinds.ts";
import type { Problem } from "../schema/problem.ts";
import type { Static } from "../schema/type.ts";
import type { Situation } from "../situation/situation.ts";
import type { NoPrice } from "./no-price.ts";
import type { AnyCharge } from "./reference.ts";

/** What a charge comes to, exactly, or why there is none. */
export type Charged = LinearAmount | NoPrice;

export const isMissing = (charged: Charged): charged is NoPrice => typeof charged === "string";

/** How a charge came about: what it is, what it came to, and the parts it was made of. */
export type ChargeTrace = {
  readonly kind: string;
  readonly price: Charged;
  /** What was counted, and the band or entry that it fell in. */
  readonly counted?: number | null;
  readonly chosen?: number;
  readonly when?: Trace;
  readonly of?: readonly ChargeTrace[];
};

/** The same for JSON. Amounts are exact minor units as text, "489.5" or "1000/3". @typeParam When how conditions are told */
export type ChargeAccount<When> = {
  kind: string;
  price: string;
  counted?: number | null;
  chosen?: number;
  when?: When;
  of?: ChargeAccount<When>[];
};

/** A charge compiled for one zone and currency: its price, fast or with its reasons. */
export type CompiledCharge = {
  readonly price: (situation: Situation) => Charged;
  readonly explain: (situation: Situation) => ChargeTrace;
  /** Whether some condition in it looks at the figures of single lines. */
  readonly seesLineFigures: boolean;
};

/** A charge whose reasons are its price alone. */
export const plainCharge = (
  kind: string,
  price: CompiledCharge["price"],
  more: (situation: Situation) => Partial<ChargeTrace> = () => ({}),
): CompiledCharge => ({
  price,
  explain: (situation) => ({ kind, price: price(situation), ...more(situation) }),
  seesLineFigures: false,
});

/** What a charge needs to be compiled: where it will apply, a number for each measure it counts, and charges within it. */
export type ChargeContext = AmountContext & {
  readonly compileWhen: (condition: Condition) => CompiledCondition;
  readonly compileCharge: (charge: AnyCharge) => CompiledCharge;
  readonly measureNumber: MeasureNumber;
};

/** What a charge may refer to, and where it will apply. */
export type ChargeReferences = ConditionReferences & {
  readonly saved: Pick<SavedConditions, "has">;
  readonly contexts: readonly AmountContext[];
};

/** How parts of a charge are put into words, in one market and currency. */
export type ChargeSpeech = AmountContext & {
  readonly money: (amount: Amount) => PhraseValue;
  readonly measured: (kind: MeasureSpec["kind"], count: number, style?: "exact" | "short") => PhraseValue;
  readonly when: (condition: Condition) => Phrase;
  readonly charge: (charge: AnyCharge) => Phrase;
};

/** The same for what a charge came to. */
export type AccountSpeech<When> = Pick<ChargeSpeech, "measured" | keyof ReadersNames> & {
  readonly exactMoney: (text: string) => PhraseValue;
  readonly when: (found: When) => Phrase;
  readonly account: (charge: AnyCharge, account: ChargeAccount<When>) => Phrase;
};

/** One kind of charge: all that there is to say about it. Charges within it are asked through the contexts. */
export type ChargeDefinition<Schema extends KindSchema> = {
  readonly kind: Static<Schema>["kind"];
  readonly schema: Schema;
  readonly example: Static<Schema>;
  readonly compile: (charge: Static<Schema>, context: ChargeContext) => CompiledCharge;
  /** Its own problems; those of conditions and charges within it are looked for by whoever visits them. */
  readonly problems: (charge: Static<Schema>, path: string, references: ChargeReferences) => Problem[];
  /** A phrase for the people who make the plan: "€4.90 for each item". */
  readonly words: (charge: Static<Schema>, speech: ChargeSpeech) => Phrase;
  /** How it came about: "by weight: 1.35 kg, in band 2 of 3". */
  readonly why: <When>(charge: Static<Schema>, account: ChargeAccount<When>, speech: AccountSpeech<When>) => Phrase;
};

/** A definition that can be asked about charges of any kind; it throws at those that are not its own. */
export type RegisteredCharge<Schema extends KindSchema = KindSchema> = {
  readonly kind: string;
  readonly schema: Schema;
  readonly example: Static<Schema>;
  readonly compile: (charge: AnyCharge, context: ChargeContext) => CompiledCharge;
  readonly problems: (charge: AnyCharge, path: string, references: ChargeReferences) => Problem[];
  readonly words: (charge: AnyCharge, speech: ChargeSpeech) => Phrase;
  readonly why: <When>(charge: AnyCharge, account: ChargeAccount<When>, speech: AccountSpeech<When>) => Phrase;
};

/**
 * Makes a kind of charge ready for the registry.
 *
 * @example defineCharge({ kind: "flat", schema: FlatCharge, example, compile, problems, words, why })
 */
export function defineCharge<Schema extends KindSchema>(
  definition: ChargeDefinition<Schema>,
): RegisteredCharge<Schema> {
  const { kind, schema, example } = definition;
  const own = ownKind<Schema>(kind, "charge");
  return {
    kind,
    schema,
    example,
    compile: (charge, context) => definition.compile(own(charge), context),
    problems: (charge, path, references) => definition.problems(own(charge), path, references),
    words: (charge, speech) => definition.words(own(charge), speech),
    why: (charge, account, speech) => definition.why(own(charge), account, speech),
  };
}
