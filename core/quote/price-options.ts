import type { Charged } from "../charges/charged.ts";
import { holds, type Situation } from "../conditions/facts.ts";
import { type CompiledReward, rewarded } from "../offers/reward.ts";
import type { Tariff, TariffOffer, TariffOption, TariffStep } from "./tariff.ts";

/** One option's price for one cart: before offers, after the best of them, and which offer that was (null: none). */
export type PricedOption = { readonly full: Charged; readonly price: Charged; readonly offer: TariffOffer | null };

/**
 * Prices one option. The offer that costs the shopper least wins; an offer that makes nothing better is not used, and
 * among equals the first in the plan's order wins. `without` leaves one step out, to see what it changes.
 *
 * @param situation the facts, and every measure of the tariff by number
 */
export function priceOption(tariff: Tariff, option: number, situation: Situation, without?: TariffStep): PricedOption {
  const full = fullPrice(tariff.options[option], situation);
  if (typeof full === "string") return { full, price: full, offer: null };
  const fullPriceOf = (id: string) => {
    const other = fullPrice(
      tariff.options.find((candidate) => candidate.id === id),
      situation,
    );
    return typeof other === "number" ? other : undefined;
  };
  let price = full;
  let best: TariffOffer | null = null;
  for (const offer of tariff.offers) {
    const rewards = earned(offer, option, situation, without);
    if (rewards.length === 0) continue;
    const after = rewarded(full, rewards, fullPriceOf);
    if (after < price) {
      price = after;
      best = offer;
    }
  }
  return { full, price, offer: best };
}

function fullPrice(option: TariffOption | undefined, situation: Situation): Charged {
  if (!option) return "not-offered";
  if (!holds(option.when, situation)) {
    return option.when?.test(situation) === null ? "condition-unknown" : "condition";
  }
  return option.charge.price(situation);
}

function earned(offer: TariffOffer, option: number, situation: Situation, without?: TariffStep): CompiledReward[] {
  return offer.steps
    .filter((step) => step !== without && step.options.includes(option) && reached(offer, step, situation))
    .map((step) => step.reward);
}

/** Whether a step is earned: its goal is met and its offer holds. */
export function reached(offer: TariffOffer, step: TariffStep, situation: Situation): boolean {
  return (situation.counted[step.goal.measure] ?? 0) >= step.goal.least && holds(offer.when, situation);
}

export type Betters = "better" | "no-better" | "no-price";

/** Whether a step, once reached, makes any of its options cheaper than it would be without that step. */
export function betters(tariff: Tariff, step: TariffStep, situation: Situation): Betters {
  let anyPrice = false;
  for (const option of step.options) {
    const withStep = priceOption(tariff, option, situation).price;
    const withoutStep = priceOption(tariff, option, situation, step).price;
    if (typeof withStep === "string" || typeof withoutStep === "string") continue;
    anyPrice = true;
    if (withStep < withoutStep) return "better";
  }
  return anyPrice ? "no-better" : "no-price";
}
