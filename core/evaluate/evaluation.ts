import type { ReadLine } from "../cart/read-cart.ts";
import type { NoPrice } from "../charges/no-price.ts";
import type { FullPrice } from "../delivery/full-price.ts";
import type { LinearAmount } from "../money/linear-amount.ts";
import type { CompiledReward } from "../rewards/apply-rewards.ts";
import type { CompiledOrderReward, RewardTools } from "../rewards/definition.ts";
import type { Facts, Situation } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";
import type { Tariff, TariffOffer, TariffStep } from "../tariff/tariff.ts";

/** What holds for a request in one tariff, whatever is in the cart. */
export type Terms = {
  readonly tariff: Tariff;
  readonly facts: Facts;
  /** What an unknown condition is taken for; see {@link Situation}. */
  readonly unknownAs: boolean;
};

/** A cart in one tariff, with what has been worked out about it already, by number of option or offer. */
export type Evaluation = Situation &
  Terms & {
    readonly memo: Memo;
    /** The same without some of the goods. */
    readonly without: (goods: (line: ReadLine) => boolean) => Evaluation;
  };

type Memo = {
  readonly full: (FullPrice | undefined)[];
  readonly offers: (Truth | undefined)[];
  readonly priced: (PricedOption | undefined)[];
  tools?: RewardTools;
  /** What options would cost in full without some goods, by number and what the goods are. */
  readonly without: Map<string, FullPrice>;
};

/** The same cart, if the shopper were another or unknown conditions taken otherwise: nothing is worked out about it yet. */
export const evaluatedAnew = (
  evaluation: Evaluation,
  change: Partial<Pick<Terms, "facts" | "unknownAs">> = {},
): Evaluation => ({
  ...evaluation,
  ...change,
  memo: emptyMemo(),
});

export const emptyMemo = (): Memo => ({ full: [], offers: [], priced: [], without: new Map() });

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
