import type { Condition } from "../conditions/condition.ts";
import type { CompiledCondition } from "../conditions/definition.ts";
import type { Situation } from "../conditions/facts.ts";
import type { MeasureSpec } from "../measures/measure.ts";
import type { Threshold } from "../measures/threshold.ts";
import type { AmountContext } from "../money/amount.ts";

/** Why an option has no price for this cart: its band ends there, no amount is set, its condition fails or cannot be told, no entry of its list applies. An option without a price is unavailable, never free. */
export type NoPrice = "not-offered" | "no-amount" | "condition" | "condition-unknown" | "no-entry";

/** What a charge comes to: whole minor units, or why there is none. */
export type Charged = number | NoPrice;

/** A charge compiled for one zone and currency. */
export type CompiledCharge = {
  readonly price: (situation: Situation) => Charged;
  /** Every comparison `price` makes: between two of them in a row the price does not change. */
  readonly thresholds: readonly Threshold[];
  /** Whether it looks at which lines there are, not only at what they are worth together. */
  readonly seesLines: boolean;
};

/** What a charge needs to be compiled: where it will apply, and a number for each measure it counts. */
export type ChargeContext = AmountContext & {
  readonly compileWhen: (condition: Condition) => CompiledCondition;
  readonly measureNumber: (measure: MeasureSpec) => number;
};
