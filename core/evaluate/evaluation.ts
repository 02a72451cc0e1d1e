import type { NoPrice } from "../charges/no-price.ts";
import type { FullPrice } from "../delivery/full-price.ts";
import type { LinearAmount } from "../money/linear-amount.ts";
import type { CompiledReward } from "../rewards/apply-rewards.ts";
import type { Situation } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";
import type { TariffOffer, TariffStep } from "../tariff/tariff.ts";
import type { CompiledOrderReward } from "../rewards/definition.ts";

/** A situation with what has been worked out about it already, by number of option or offer. */
export type Evaluation = Situation & { readonly memo: Memo };

type Memo = {
  readonly full: (FullPrice | undefined)[];
  readonly offers: (Truth | undefined)[];
  readonly outcomes: (PricedOption | undefined)[];
};

export const emptyMemo = (): Memo => ({ full: [], offers: [], outcomes: [] });

/** What an option comes to: before offers, after the set of them that is best, and what those give on the order. */
export type PricedOption = {
  readonly full: FullPrice;
  readonly price: LinearAmount | NoPrice;
  readonly used: readonly Earned[];
  /** What order rewards take off the goods, exactly. */
  readonly offOrder: LinearAmount;
};

/** An offer with the rewards a shopper has earned of it for one option. */
export type Earned = {
  readonly offer: TariffOffer;
  readonly rewards: readonly CompiledReward[];
  readonly onOrder: readonly { readonly step: TariffStep; readonly reward: CompiledOrderReward }[];
};
