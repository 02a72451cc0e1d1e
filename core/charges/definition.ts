import type { CompiledCondition, Condition, Saved, Trace } from "../conditions/condition.ts";
import type { ConditionReferences, MeasureNumber } from "../conditions/definition.ts";
import type { AmountContext } from "../money/amount.ts";
import type { LinearAmount } from "../money/linear-amount.ts";
import type { Situation } from "../situation/situation.ts";

/**
 * Why an option has no price for this cart: its band ends there, no amount is set, its condition fails or cannot be told,
 * no entry of its list applies, a weight or size or the place is not known, it is too far, the carrier gave none. An
 * option without a price is unavailable, never free.
 */
export type NoPrice =
  | "not-offered"
  | "no-amount"
  | "condition"
  | "condition-unknown"
  | "no-entry"
  | "weight-unknown"
  | "place-unknown"
  | "too-far"
  | "carrier-slow"
  | "carrier-failed"
  | "carrier-not-served"
  | "carrier-too-heavy"
  | "carrier-not-asked";

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

/** What a charge needs to be compiled: where it will apply, and a number for each measure it counts. */
export type ChargeContext = AmountContext & {
  readonly compileWhen: (condition: Condition) => CompiledCondition;
  readonly measureNumber: MeasureNumber;
};

/** What a charge may refer to, and where it will apply. */
export type ChargeReferences = ConditionReferences & {
  readonly saved: Saved;
  readonly contexts: readonly AmountContext[];
};
