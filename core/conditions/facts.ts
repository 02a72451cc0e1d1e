import { readLine } from "../cart/read-cart.ts";
import { type Place, placeOf } from "../places/resolve.ts";
import type { QuoteRequest, Shopper } from "../quote/request.ts";
import type { Truth } from "./truth.ts";

/** A cart line as conditions see it. */
export type LineFacts = {
  readonly sku: string;
  readonly categories: readonly string[];
  readonly tags: readonly string[];
};

/** Everything a condition can be about, read from one request. */
export type Facts = {
  readonly shopper: Shopper;
  readonly place: Place;
  readonly channel: string | null;
  readonly currency: string;
  readonly locale: string | null;
  readonly codes: ReadonlySet<string>;
  /** The moment, in milliseconds of UTC. */
  readonly at: number;
  readonly lines: readonly LineFacts[];
};

/** What conditions are tested against: the facts, and every measure of the tariff by its number. */
export type Situation = {
  readonly facts: Facts;
  readonly counted: readonly number[];
  /**
   * What an unknown condition is taken for. Unknown never grants: false. True only to find out what an address not known
   * yet could still turn out to get.
   */
  readonly unknownAs: boolean;
};

/** Codes are compared without regard to case and surrounding space, as shoppers type them. */
export const normalCode = (code: string) => code.trim().toUpperCase();

export function factsOf(request: QuoteRequest): Facts {
  const { destination, shopper, channel, currency, locale, at, cart } = request;
  return {
    shopper: shopper ?? {},
    place: placeOf(destination),
    channel: channel ?? null,
    currency,
    locale: locale ?? null,
    codes: new Set((cart.codes ?? []).map(normalCode)),
    at: Date.parse(at),
    lines: cart.lines.map(readLine),
  };
}

/** Whether a condition holds, unknown taken as the situation says; without one, everything holds. */
export function holds(condition: { test: (situation: Situation) => Truth } | null, situation: Situation): boolean {
  return condition === null || (condition.test(situation) ?? situation.unknownAs);
}
