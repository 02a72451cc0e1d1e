import { isShipped } from "../cart/read-cart.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import { goodsFilter } from "../measures/goods-filter.ts";
import { compileSpec, counted } from "../measures/measure.ts";
import type { LadderMeasure } from "../measures/measure-spec.ts";
import { pickGoods } from "../measures/only-goods.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";

/** Which lines of a cart a ladder counts, and what all of it comes to in whole units; null where a weight is not known. */
export type CountedLines = {
  readonly lines: readonly { readonly sku: string; readonly counts: boolean }[];
  readonly total: number | null;
};

/**
 * How a ladder counts the cart of a request: what an editor shows beside the settings of its basis.
 *
 * @example countedLines(compiled, request, { kind: "items" })?.total // 3
 */
export function countedLines(compiled: CompiledPlan, request: QuoteRequest, spec: LadderMeasure): CountedLines | null {
  const prepared = prepareRequest(compiled, request);
  const first = "problems" in prepared ? undefined : prepared.there[0];
  if ("problems" in prepared || !first) return null;
  const { market, zone, currency, rates, standardTax } = first.tariff;
  const context = { zone: zone.id, market: market.id, currency, rates };
  const { cart } = prepared;
  const filter = goodsFilter(spec.kind === "value" ? spec.basis.leavesOut : spec.leavesOut);
  const scope = spec.kind === "weight" ? "shipped" : "all";
  const measure = compileSpec(spec, scope, market.pricesIncludeTax, standardTax, context);
  const picked = spec.only ? pickGoods(spec.only, context)?.has : () => true;
  return {
    lines: cart.lines.map((line) => ({
      sku: line.sku,
      counts: filter(line) && picked?.(line) === true && (scope === "all" || isShipped(line)),
    })),
    total: counted(measure, cart, new Map()),
  };
}
