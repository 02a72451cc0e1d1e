import type { Charged } from "../charges/charged.ts";
import { type CompiledReward, rewarded } from "../offers/reward.ts";
import type { Tariff, TariffOffer, TariffStep } from "./tariff.ts";

/** One option's price for one cart: before offers, after the best of them, and which offer that was (null: none). */
export type PricedOption = { readonly full: Charged; readonly price: Charged; readonly offer: TariffOffer | null };

/**
 * Prices one option. The offer that costs the shopper least wins; an offer that makes nothing better is not used, and
 * among equals the first in the plan's order wins. `without` leaves one step out, to see what it changes.
 *
 * @param counted every measure of the tariff, by number
 */
export function priceOption(
  tariff: Tariff,
  option: number,
  counted: readonly number[],
  without?: TariffStep,
): PricedOption {
  const full = tariff.options[option]?.charge.price(counted) ?? "not-offered";
  if (typeof full === "string") return { full, price: full, offer: null };
  let price = full;
  let best: TariffOffer | null = null;
  for (const offer of tariff.offers) {
    const rewards = earned(offer, option, counted, without);
    if (rewards.length === 0) continue;
    const after = rewarded(full, rewards);
    if (after < price) {
      price = after;
      best = offer;
    }
  }
  return { full, price, offer: best };
}

function earned(
  offer: TariffOffer,
  option: number,
  counted: readonly number[],
  without?: TariffStep,
): CompiledReward[] {
  return offer.steps
    .filter((step) => step !== without && step.options.includes(option) && reached(step, counted))
    .map((step) => step.reward);
}

/** Whether the goal of a step is met. */
export function reached(step: TariffStep, counted: readonly number[]): boolean {
  return (counted[step.goal.measure] ?? 0) >= step.goal.least;
}

export type Betters = "better" | "no-better" | "no-price";

/** Whether a step, once reached, makes any of its options cheaper than it would be without that step. */
export function betters(tariff: Tariff, step: TariffStep, counted: readonly number[]): Betters {
  let anyPrice = false;
  for (const option of step.options) {
    const withStep = priceOption(tariff, option, counted).price;
    const withoutStep = priceOption(tariff, option, counted, step).price;
    if (typeof withStep === "string" || typeof withoutStep === "string") continue;
    anyPrice = true;
    if (withStep < withoutStep) return "better";
  }
  return anyPrice ? "no-better" : "no-price";
}
