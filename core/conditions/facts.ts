import { type Place, placeOf } from "../places/resolve.ts";
import type { QuoteRequest, Shopper } from "../quote/request.ts";

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
export type Situation = { readonly facts: Facts; readonly counted: readonly number[] };

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
    lines: cart.lines.map(({ sku, categories, tags }) => ({ sku, categories: categories ?? [], tags: tags ?? [] })),
  };
}
