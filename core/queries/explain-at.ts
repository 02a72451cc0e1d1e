import { readCart } from "../cart/read-cart.ts";
import { compileCondition, type Trace } from "../conditions/compile.ts";
import type { Condition } from "../conditions/condition.ts";
import { situationOf } from "../evaluate/situation-of.ts";
import { measureNumbers } from "../measures/measure-numbers.ts";
import { placeOf } from "../places/place.ts";
import { possiblePlaces } from "../places/possible-places.ts";
import { ratesOf, savedOf } from "../plan/plan.ts";
import type { QuoteRequest } from "../request/request.ts";
import { factsOf } from "../situation/situation.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { findTariffs } from "../tariff/find-tariffs.ts";
import type { Tariff } from "../tariff/tariff.ts";

/**
 * How a condition stands for one cart at one standpoint, clause by clause, whether or not the plan uses it: what an editor
 * shows beside each clause. Null where nobody delivers or the request cannot be quoted.
 *
 * @example explainAt(compiled, request, { kind: "signed-in" })?.truth // false for a guest
 */
export function explainAt(compiled: CompiledPlan, request: QuoteRequest, condition: Condition): Trace | null {
  const found = findTariffs(compiled, request.destination, request.currency);
  const first = "problems" in found ? undefined : found.there[0];
  return first ? explainerIn(compiled, first.tariff, condition)(request) : null;
}

/** The same for many requests to one zone: the condition is compiled once. */
export function explainerIn(
  compiled: CompiledPlan,
  { market, currency, standardTax }: Tariff,
  condition: Condition,
): (request: QuoteRequest) => Trace | null {
  const { measures, measureNumber } = measureNumbers(market.pricesIncludeTax, standardTax);
  const rates = ratesOf(compiled.plan);
  const context = { market: market.id, currency, rates, timeZone: market.timeZone, measureNumber };
  try {
    const test = compileCondition(condition, context, savedOf(compiled.plan));
    return (request) => {
      const cart = readCart(request.cart, "/cart");
      if ("problems" in cart) return null;
      const [place] = possiblePlaces(placeOf(request.destination), compiled.named);
      if (!place) return null;
      const facts = factsOf(request, compiled.positions, place);
      return test.explain(situationOf(measures, facts, cart, false));
    };
  } catch (error) {
    // A saved condition that is gone, while somebody is still typing.
    if (error instanceof RangeError) return () => null;
    throw error;
  }
}
