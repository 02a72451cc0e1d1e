import { storeCost } from "../delivery/store-cost.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";

/**
 * What delivering the cart of a request costs the store, in minor units, by option; without those of which nobody has said.
 *
 * @example storeCosts(compiled, request).get("porto-round") // 650
 */
export function storeCosts(compiled: CompiledPlan, request: QuoteRequest): ReadonlyMap<string, number> {
  const prepared = prepareRequest(compiled, request);
  const first = "problems" in prepared ? undefined : prepared.there[0];
  if ("problems" in prepared || !first) return new Map();
  const { zone, market, currency, rates, options } = first.tariff;
  const context = { zone: zone.id, market: market.id, currency, rates };
  return new Map(
    options.flatMap(({ id, option: { costsStore } }): [string, number][] => {
      const cost = costsStore ? storeCost(costsStore, prepared.cart.lines, context) : null;
      return cost === null ? [] : [[id, cost]];
    }),
  );
}
