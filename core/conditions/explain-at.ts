import { readCart } from "../cart/read-cart.ts";
import { measureNumbers } from "../measures/measure-numbers.ts";
import { placeOf } from "../places/resolve.ts";
import type { CompiledPlan } from "../plan/compile.ts";
import { ratesOf, savedOf } from "../plan/plan.ts";
import { findTariffs } from "../quote/find-tariffs.ts";
import type { QuoteRequest } from "../quote/request.ts";
import { situationOf } from "../quote/situation.ts";
import { type Condition, compileCondition, type Trace } from "./condition.ts";
import { factsOf } from "./facts.ts";

/**
 * How a condition stands for one cart at one standpoint, clause by clause, whether or not the plan uses it: what an editor
 * shows beside each clause. Null where nobody delivers or the request cannot be quoted.
 *
 * @example explainAt(compiled, request, { kind: "signed-in" })?.truth // false for a guest
 */
export function explainAt(compiled: CompiledPlan, request: QuoteRequest, condition: Condition): Trace | null {
  const cart = readCart(request.cart, "/cart");
  const place = placeOf(request.destination);
  const found = findTariffs(compiled, place, request.currency);
  if ("problems" in cart || "problems" in found) return null;
  const [tariff] = found.tariffs;
  if (!tariff) return null;
  const { market, currency, standardTax } = tariff;
  const { measures, measureNumber } = measureNumbers(market.pricesIncludeTax, standardTax);
  const context = {
    market: market.id,
    currency,
    rates: ratesOf(compiled.plan),
    timeZone: market.timeZone,
    measureNumber,
  };
  try {
    const test = compileCondition(condition, context, savedOf(compiled.plan));
    return test.explain(situationOf(measures, factsOf(request, compiled.positions, place), cart, false));
  } catch (error) {
    // A saved condition that is gone, while somebody is still typing.
    if (error instanceof RangeError) return null;
    throw error;
  }
}
