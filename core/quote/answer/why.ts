import type { ChargeAccount } from "../../charges/definition.ts";
import type { NoPrice } from "../../charges/no-price.ts";
import type { Condition } from "../../conditions/condition.ts";
import type { Actual } from "../../conditions/definition.ts";
import type { PriceLine } from "../../delivery/full-price.ts";
import type { Truth } from "../../situation/truth.ts";

/** A condition as it was found, for JSON: what was wanted, what was there. */
export type WhyCondition = {
  truth: Truth;
  kind: string;
  wanted: Condition | null;
  actual?: Actual;
  of?: WhyCondition[];
};

/** A charge as it was computed. */
export type WhyCharge = ChargeAccount<WhyCondition>;

export type WhyLine = {
  part: PriceLine["part"] | "offers";
  amount: string;
  id?: string;
  charge?: WhyCharge;
  when?: WhyCondition;
};

/** What became of an offer for one option. */
export type OfferUse =
  | "used"
  | "changes-nothing"
  | "another-is-better"
  | "nothing-for-this-option"
  | "not-earned"
  | "condition"
  | "condition-unknown"
  | "not-in-time"
  | "limit-reached"
  | "limit-unknown"
  | "no-price";

export type WhyOffer = {
  offer: string;
  use: OfferUse;
  when?: WhyCondition;
  steps: { step: string; trigger: string; reached: boolean; wanted?: number; counted?: number | null }[];
};

/** Why an option costs what it does: the lines add up to its exact price. */
export type WhyOption = {
  option: string;
  price: string | null;
  reason?: NoPrice;
  when?: WhyCondition;
  lines: WhyLine[];
  offers: WhyOffer[];
};

/** The account of one quote: which place, which options and at what price, which offers and why not. */
export type Why = {
  zone: string;
  options: WhyOption[];
  /** Steps that could not be offered in this currency for want of an amount. */
  withoutAmount: { offer: string; step: string }[];
};
