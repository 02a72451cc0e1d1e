import { readCart } from "../cart/read-cart.ts";
import { evaluate } from "../evaluate/one-cart.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { cartAt } from "./cart-at.ts";

/**
 * What a measure counts at shelf value x: the goal that a flag dragged to x stands for. Apart from the climb itself, which is drawn off
 * the main thread.
 */
export function countedAt(compiled: CompiledPlan, request: QuoteRequest, offer: string, x: number): number | null {
  const prepared = prepareRequest(compiled, request);
  const cart = readCart(cartAt(request.cart, x), "/cart");
  if ("problems" in prepared || "problems" in cart) return null;
  const [first] = prepared.there;
  const goal = first?.tariff.offers.find(({ id }) => id === offer)?.steps.find((step) => step.goal)?.goal;
  return first && goal ? evaluate({ ...first, unknownAs: false }, cart).count(goal.measure) : null;
}
