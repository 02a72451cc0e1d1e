import { type ReadCart, readCart } from "../cart/read-cart.ts";
import { type AddressNote, placeOf } from "../places/place.ts";
import { possiblePlaces } from "../places/possible-places.ts";
import type { QuoteRequest } from "../request/request.ts";
import { standpointProblems } from "../request/standpoint-problems.ts";
import type { Problem } from "../schema/problem.ts";
import { type Facts, factsOf } from "../situation/situation.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { findTariffs } from "../tariff/find-tariffs.ts";
import type { Tariff } from "../tariff/tariff.ts";

/** A request read: its cart, and the tariffs that may apply with what is known of shopper, place and moment in each. */
export type PreparedRequest = {
  readonly cart: ReadCart;
  /** One for a known place, several for one partly known, none where nobody delivers. */
  readonly there: readonly { readonly tariff: Tariff; readonly facts: Facts }[];
  /** Whether it may also turn out that nobody delivers there. */
  readonly orNowhere: boolean;
  /** Whether the address is complete; see `Tariffs`. */
  readonly postcodeKnown: boolean;
  readonly note: AddressNote | undefined;
};

/**
 * Reads a request once, for everything that is asked of it.
 *
 * @example const made = prepareRequest(compiled, request); if (!("problems" in made)) made.there[0]?.tariff.zone.id
 */
export function prepareRequest(
  compiled: CompiledPlan,
  request: QuoteRequest,
): PreparedRequest | { problems: Problem[] } {
  const wrong = standpointProblems(request);
  if (wrong.length > 0) return { problems: wrong };
  const cart = readCart(request.cart, "/cart");
  if ("problems" in cart) return cart;
  const found = findTariffs(compiled, request.destination, request.currency);
  if ("problems" in found) return found;
  const there = found.there.map(({ tariff, place }) => ({
    tariff,
    facts: factsOf(request, compiled.locations, place),
  }));
  const { orNowhere, postcodeKnown, note } = found;
  return { cart, there, orNowhere, postcodeKnown, note };
}

/** Cart and facts alone, whichever tariff they are put to; null where the cart cannot be read. */
export function readFor(compiled: CompiledPlan, request: QuoteRequest): { cart: ReadCart; facts: Facts } | null {
  const cart = readCart(request.cart, "/cart");
  const [place] = possiblePlaces(placeOf(request.destination), compiled.named);
  return "problems" in cart || !place ? null : { cart, facts: factsOf(request, compiled.locations, place) };
}
