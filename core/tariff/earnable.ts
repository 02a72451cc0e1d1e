import type { Companies } from "../offers/companies.ts";
import type { CompiledReward } from "../rewards/apply-rewards.ts";
import type { CompiledOrderReward } from "../rewards/definition.ts";
import type { TariffOffer, TariffStep } from "./tariff-offer.ts";

/** An offer with the rewards a shopper has earned of it for one option. */
export type Earned = {
  readonly offer: TariffOffer;
  readonly rewards: readonly CompiledReward[];
  readonly onOrder: readonly { readonly step: TariffStep; readonly reward: CompiledOrderReward }[];
};

/** The steps of an offer that give something on one option, or on the order; what comes of some of them is made once. */
export class Earnable {
  /** Among all of the tariff. */
  readonly number: number;
  readonly offer: TariffOffer;
  readonly steps: readonly TariffStep[];
  private readonly bits: number;
  private readonly option: number;
  private readonly made: (Earned | undefined)[] = [];
  constructor(number: number, offer: TariffOffer, steps: readonly TariffStep[], option: number) {
    this.number = number;
    this.offer = offer;
    this.steps = steps;
    this.bits = steps.reduce((bits, { bit }) => bits | bit, 0);
    this.option = option;
  }
  /** @param reached the bits of the offer's steps that are reached */
  earned(reached: number): Earned | undefined {
    const which = reached & this.bits;
    if (which === 0) return undefined;
    const known = this.made[which];
    if (known) return known;
    const steps = this.steps.filter(({ bit }) => which & bit);
    const made = {
      offer: this.offer,
      // In the order in which they take their turns, so that nobody has to bring them into it.
      rewards: steps
        .flatMap(({ reward, options }) => (reward && options.includes(this.option) ? [reward] : []))
        .sort((a, b) => a.turn - b.turn),
      onOrder: steps.flatMap((step) => (step.onOrder ? [{ step, reward: step.onOrder }] : [])),
    };
    this.made[which] = made;
    return made;
  }
}

/** What may be earned for one option. */
export type EarnableFor = {
  readonly offers: readonly Earnable[];
  /** Whether all of them may be used together. */
  readonly allTogether: boolean;
  /** Whether any of their rewards is given on the order. */
  readonly onOrder: boolean;
};

export function earnableFor(option: number, offers: readonly TariffOffer[], companies: Companies): EarnableFor {
  const found = offers.flatMap((offer, i) => {
    const steps = offer.steps.filter((step) => step.onOrder !== null || step.options.includes(option));
    return steps.length > 0 ? [new Earnable(option * offers.length + i, offer, steps, option)] : [];
  });
  const company = companies.of(found[0]?.offer.number ?? -1);
  const allTogether = companies.complete(company) && found.every(({ offer }) => companies.of(offer.number) === company);
  const steps = found.flatMap((one) => one.steps);
  return {
    offers: found,
    allTogether,
    onOrder: steps.some(({ onOrder }) => onOrder !== null),
  };
}
