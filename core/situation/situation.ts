import { normalCode } from "../cart/codes.ts";
import type { ReadLine } from "../cart/read-cart.ts";
import type { Horizon, LinearAmount } from "../money/linear-amount.ts";
import type { Location } from "../places/location.ts";
import type { Place } from "../places/place.ts";
import { positionOf } from "../places/postcode-table.ts";
import { plainStreet } from "../places/street.ts";
import type { Coordinates } from "../quantities/coordinates.ts";
import { distanceBetween } from "../quantities/distance.ts";
import type { CarrierAnswer, QuoteRequest, Shopper } from "../request/request.ts";
import { instantOf } from "../time/instant.ts";
import type { Truth } from "./truth.ts";

/** Everything a condition can be about besides what the cart holds, read from one request. */
export type Facts = {
  /** No other facts have it; see {@link Situation}. */
  readonly number: number;
  readonly shopper: Shopper;
  readonly place: Place;
  readonly channel: string | null;
  /** The way of paying; null while it is not known. */
  readonly payment: string | null;
  /** Street lines in one form; null while they are not known. */
  readonly street: string | null;
  readonly currency: string;
  readonly locale: string | null;
  readonly codes: ReadonlySet<string>;
  /** The moment, in milliseconds of UTC. */
  readonly at: number;
  /** Metres from each location of the plan from which it is known how far the place is. */
  readonly distances: ReadonlyMap<string, number>;
  /** How often offers have been used, by offer. */
  readonly uses: ReadonlyMap<string, { readonly overall: number; readonly byShopper?: number }>;
  readonly carriers: readonly CarrierAnswer[];
  /** Orders that windows hold already, by option, slot and day. */
  readonly booked: ReadonlyMap<string, number>;
  readonly window: QuoteRequest["window"] | null;
};

/** @example bookedKey("porto-round", "morning", "2026-11-28") */
export const bookedKey = (option: string, slot: string, day: string): string => `${option} ${slot} ${day}`;

/** What is asked of a cart at a standpoint: conditions, charges and offers look at nothing else. */
export type Situation = {
  /** No other situation has it. What was asked about last is remembered by numbers, so that a plan holds on to no cart and no shopper. */
  readonly number: number;
  readonly facts: Facts;
  readonly lines: readonly ReadLine[];
  /** Stands for what the lines are but for their figures: where it is the same, so are they. */
  readonly linesAs: number;
  /**
   * What an unknown condition is taken for. Unknown never grants: false. True only to find out what an address not known
   * yet could still turn out to get.
   */
  readonly unknownAs: boolean;
  /** Null for a single cart; else told by every decision how long it stands as goods are added. */
  readonly horizon: Horizon | null;
  /** A measure's count in whole units; null: not known. */
  readonly count: (measure: number) => number | null;
  /** Whether a measure has reached so many whole units. */
  readonly reaches: (measure: number, least: number) => Truth;
  /** A count that moves as goods are added. */
  readonly moving: (measure: number) => LinearAmount | null;
  /** What the goods that count come to after all discounts, exactly. */
  readonly goods: (counts: (line: ReadLine) => boolean) => LinearAmount;
  /** How many units of a measure have been begun past `start`. */
  readonly begun: (measure: number, start: number, unit: number) => LinearAmount;
  /** Whether a figure of a line is at least so much: price or discount in minor units, pieces, or milligrams of one piece. */
  readonly lineReaches: (line: ReadLine, figure: LineFigure, least: number) => Truth;
};

let numbered = 0;

/** A number for something that is looked at, which nothing else has. */
export function nextNumber(): number {
  numbered += 1;
  return numbered;
}

type FromLocation = Pick<Location, "at" | "country" | "postcodeTable">;

export type LineFigure = "unitPrice" | "quantity" | "weight" | "discount";

const NO_CODES: Facts["codes"] = new Set();
const NO_DISTANCES: Facts["distances"] = new Map();
const NONE_BOOKED: Facts["booked"] = new Map();
const NO_USES: Facts["uses"] = new Map();

/**
 * @param locations of the plan, each with where it is and what it knows of postcodes
 * @param place where the request goes, read
 */
export function factsOf(request: QuoteRequest, locations: ReadonlyMap<string, FromLocation>, place: Place): Facts {
  const { destination, shopper, channel, payment, currency, locale, at, cart } = request;
  return {
    number: nextNumber(),
    shopper: shopper ?? {},
    place,
    channel: channel ?? null,
    payment: payment ?? null,
    street: destination.street === undefined ? null : plainStreet(destination.street),
    currency,
    locale: locale ?? null,
    codes: cart.codes ? new Set(cart.codes.map(normalCode)) : NO_CODES,
    at: instantOf(at),
    distances: distancesFrom(locations, destination.position, place),
    uses: request.uses ? new Map(request.uses.map((counts) => [counts.offer, counts])) : NO_USES,
    carriers: request.carriers ?? [],
    booked: request.booked
      ? new Map(request.booked.map(({ option, slot, day, orders }) => [bookedKey(option, slot, day), orders]))
      : NONE_BOOKED,
    window: request.window ?? null,
  };
}

/** The same of a shopper who is, or has entered, something else. */
export const factsWith = (facts: Facts, change: Partial<Pick<Facts, "shopper" | "codes">>): Facts => ({
  ...facts,
  ...change,
  number: nextNumber(),
});

/** From each location to the position that was told, else to where its table of postcodes has the place. */
function distancesFrom(
  locations: ReadonlyMap<string, FromLocation>,
  told: Coordinates | undefined,
  place: Place,
): Facts["distances"] {
  let distances: Map<string, number> | undefined;
  for (const [id, from] of locations) {
    const position = told ?? positionOf(from, place);
    if (!position) continue;
    distances ??= new Map();
    distances.set(id, distanceBetween(from.at, position));
  }
  return distances ?? NO_DISTANCES;
}
