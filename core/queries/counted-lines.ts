import { isShipped, readCart } from "../cart/read-cart.ts";
import { goodsFilter } from "../measures/goods-filter.ts";
import { compileSpec, counted } from "../measures/measure.ts";
import type { LadderMeasure } from "../measures/measure-spec.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { findTariffs } from "../tariff/find-tariffs.ts";

/** Which lines of a cart a ladder counts, and what all of it comes to in whole units; null where a weight is not known. */
export type CountedLines = {
  readonly lines: readonly { readonly sku: string; readonly counts: boolean }[];
  readonly total: number | null;
};

/** How a ladder counts the cart of a request: what an editor shows beside the settings of its basis. */
export function countedLines(compiled: CompiledPlan, request: QuoteRequest, spec: LadderMeasure): CountedLines | null {
  const cart = readCart(request.cart, "/cart");
  const found = findTariffs(compiled, request.destination, request.currency);
  if ("problems" in cart || "problems" in found) return null;
  const tariff = found.there[0]?.tariff;
  if (!tariff) return null;
  const leavesOut = spec.kind === "value" ? spec.basis.leavesOut : spec.leavesOut;
  const filter = goodsFilter(leavesOut);
  const scope = spec.kind === "weight" ? "shipped" : "all";
  const measure = compileSpec(spec, scope, tariff.market.pricesIncludeTax, tariff.standardTax);
  return {
    lines: cart.lines.map((line) => ({ sku: line.sku, counts: filter(line) && (scope === "all" || isShipped(line)) })),
    total: counted(measure, cart, new Map()),
  };
}
