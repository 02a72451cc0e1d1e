import type { ReadLine } from "../cart/read-cart.ts";
import type { NoPrice } from "../charges/no-price.ts";
import type { FullPrice } from "../delivery/full-price.ts";
import type { Horizon, LinearAmount } from "../money/linear-amount.ts";
import type { Facts, Situation } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";
import type { Earned } from "../tariff/earnable.ts";
import type { Tariff } from "../tariff/tariff.ts";
import type { Kept, KeptAnswers } from "./kept.ts";

/** What holds for a request in one tariff, whatever is in the cart. */
export type Terms = {
  readonly tariff: Tariff;
  readonly facts: Facts;
  /** What an unknown condition is taken for; see {@link Situation}. */
  readonly unknownAs: boolean;
};

/** A cart in one tariff, with what has been worked out about it already. */
export interface Evaluation extends Situation, Terms {
  readonly memo: Memo;
  /** Answers that stand for more units than one, and how many have been added; null for one cart alone. */
  readonly along: Along | null;
  /** The same without some of the goods. */
  readonly without: (goods: (line: ReadLine) => boolean) => Evaluation;
  /** The same, if the shopper were another or unknown conditions taken otherwise: nothing is worked out about it yet. */
  readonly anew: (change: Partial<Pick<Terms, "facts" | "unknownAs">>) => Evaluation;
}

/** A cart on its way as goods are added. */
export type Along = {
  readonly kept: KeptAnswers;
  readonly units: number;
  readonly horizon: Horizon;
  /** Keeps an answer that stands for so many more units. */
  readonly keep: <T>(answers: Kept<T>, number: number, answer: T, units: number) => T;
};

/** What has been worked out, by number of option or offer. Carts are asked by the thousand: each place is made at once. */
export class Memo {
  readonly full: (FullPrice | undefined)[];
  readonly offers: (Truth | undefined)[];
  /** Which steps of each offer are reached, in their bits. */
  readonly reached: (number | undefined)[];
  readonly priced: (PricedOption | undefined)[];
  /** What has been earned for each option. */
  readonly earned: (readonly Earned[] | undefined)[];
  /** The same with what is not known taken for what grants nothing. */
  certain: Evaluation | undefined;
  /** What goods come to after all discounts, by which of them count. */
  goods: Map<string, LinearAmount> | undefined;
  /** What options would cost in full without some goods, by number and what the goods are. */
  without: Map<string, FullPrice> | undefined;
  constructor({ options, offers }: Tariff) {
    this.full = new Array(options.length);
    this.offers = new Array(offers.length);
    this.reached = new Array(offers.length);
    this.priced = new Array(options.length);
    this.earned = new Array(options.length);
  }
}

/** What an option comes to with the best set of the offers that are earned. */
export type Payable = {
  readonly price: LinearAmount | NoPrice;
  /** What order rewards take off the goods, exactly. */
  readonly offOrder: LinearAmount;
  readonly gifts: number;
};

/** The same with what it comes to before offers, and those of the set that change anything. */
export type PricedOption = Payable & { readonly full: FullPrice; readonly used: readonly Earned[] };
