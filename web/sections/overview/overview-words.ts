import { NO_PRICE_WORDS } from "../../../core/charges/no-price.ts";
import { bandPrices } from "../../../core/charges/words.ts";
import { optionIn } from "../../../core/delivery/option.ts";
import { goalWords } from "../../../core/explain/offer-sentence.ts";
import { measureWords } from "../../../core/measures/measure-spec.ts";
import { joined, phrase } from "../../../core/phrases/phrase.ts";
import type { Zone } from "../../../core/places/market.ts";
import { type Plan, ratesOf } from "../../../core/plan/plan.ts";
import type { OverviewCell, OverviewStep } from "../../../core/queries/overview.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { locationNameIn } from "../../names/location-name.ts";

/** @example "€4.90", "Free", "not for this cart" */
export function nowWords({ now }: OverviewCell, currency: string): string {
  if (typeof now === "string")
    return now === "condition" ? say("not for this cart or shopper") : say(NO_PRICE_WORDS[now]);
  return now === 0 ? say("Free") : makersMoney(now, currency);
}

/** @example "free from €45", "€9.90 from 5 items", "free with a code" */
export function stepWords({ goal, measure, price }: OverviewStep, currency: string): string {
  const then = price === 0 ? say("free") : makersMoney(price, currency);
  return goal === null
    ? say("{then} with a code", { then })
    : say("{then} from {goal}", { then, goal: goalWords(measure, goal, currency) });
}

/** Where bands alone make it free. @example "free from €120 in the cart" */
export function freeWords({ freeFrom, steps, now }: OverviewCell, currency: string): string | null {
  if (freeFrom === null || now === 0 || steps.some(({ price, goal }) => price === 0 && goal !== null)) return null;
  return say("free from {money} in the cart", { money: makersMoney(freeFrom, currency, "short") });
}

/** The prices of an option's bands. @example "9.50 · 12.50 · 19 by weight" */
export function bandsWords(plan: Plan, zone: Zone, option: string, currency: string): string | null {
  const shared = plan.options.find(({ id }) => id === option);
  if (!shared) return null;
  const { charge } = optionIn(shared, zone.id);
  const prices = bandPrices(charge, { zone: zone.id, market: zone.market, currency, rates: ratesOf(plan) });
  if (charge.kind !== "bands" || prices.length < 2) return null;
  const by =
    charge.by.kind === "value" ? phrase("value") : measureWords(charge.by, { locationName: locationNameIn(plan) });
  const shown = prices.length > MOST_SHOWN ? [...prices.slice(0, MOST_SHOWN - 1), "…", ...prices.slice(-1)] : prices;
  return say("{shown} by {by}", { shown: joined(shown, " · "), by });
}

const MOST_SHOWN = 5;
