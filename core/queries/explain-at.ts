import type { ReadCart } from "../cart/read-cart.ts";
import { compileCondition, type Trace } from "../conditions/compile.ts";
import type { Condition } from "../conditions/condition.ts";
import { situationOf } from "../evaluate/one-cart.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import { measureNumbers } from "../measures/measure-numbers.ts";
import { ratesOf, savedOf } from "../plan/plan.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { Facts } from "../situation/situation.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import type { Tariff } from "../tariff/tariff.ts";

/**
 * How a condition stands for one cart at one standpoint, clause by clause, whether or not the plan uses it: what an editor
 * shows beside each clause. Null where nobody delivers or the request cannot be quoted.
 *
 * @example explainAt(compiled, request, { kind: "signed-in" })?.truth // false for a guest
 */
export function explainAt(compiled: CompiledPlan, request: QuoteRequest, condition: Condition): Trace | null {
  const prepared = prepareRequest(compiled, request);
  if ("problems" in prepared) return null;
  const [first] = prepared.there;
  return first ? explainerIn(compiled, first.tariff, condition)(prepared.cart, first.facts) : null;
}

/** The same for many carts and shoppers in one tariff: the condition is compiled once. */
export function explainerIn(
  compiled: CompiledPlan,
  { zone, market, currency, standardTax }: Tariff,
  condition: Condition,
): (cart: ReadCart, facts: Facts) => Trace | null {
  const amounts = { zone: zone.id, market: market.id, currency, rates: ratesOf(compiled.plan) };
  const { measures, measureNumber } = measureNumbers(market.pricesIncludeTax, standardTax, amounts);
  const context = { ...amounts, timeZone: market.timeZone, measureNumber };
  try {
    const test = compileCondition(condition, context, savedOf(compiled.plan));
    return (cart, facts) => test.explain(situationOf(measures, facts, cart, false));
  } catch (error) {
    // A saved condition that is gone, while somebody is still typing.
    if (error instanceof RangeError) return () => null;
    throw error;
  }
}
