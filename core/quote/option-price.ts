import type { NoPrice } from "../charges/no-price.ts";
import { hasNoPrice, sumOf } from "../delivery/full-price.ts";
import { evaluate } from "../evaluate/one-cart.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import { rounded } from "../money/linear-amount.ts";
import type { QuoteRequest } from "../request/request.ts";
import type { Problem } from "../schema/problem.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { priceOption } from "./options/price-option.ts";
import { quote } from "./quote.ts";

/** What one option costs, in minor units; or why that is not known, or not to be had. */
export type OptionPrice = { readonly zone: string | null } & (
  | { readonly price: number; readonly fullPrice: number }
  | { readonly none: NoPrice | "nobody-delivers" }
);

/**
 * The price of one option as a quote has it, without the rest of the quote: progress, messages and the other options are asked only
 * where the offers need them.
 *
 * @example optionPrice(compiled, request, "standard") // { zone: "mainland", price: 0, fullPrice: 490 }
 */
export function optionPrice(
  compiled: CompiledPlan,
  request: QuoteRequest,
  option: string,
): OptionPrice | { readonly problems: Problem[] } {
  const prepared = prepareRequest(compiled, request);
  if ("problems" in prepared) return prepared;
  const { cart, there, orNowhere, postcodeKnown } = prepared;
  const [first, ...others] = there;
  if (!first) return { zone: null, none: "nobody-delivers" };
  // An address that is not complete is answered as a whole.
  if (others.length > 0 || orNowhere || !postcodeKnown) return ofQuote(compiled, request, option);
  const { tariff, facts } = first;
  const zone = tariff.zone.id;
  const found = tariff.options.find(({ id }) => id === option);
  if (!found) return { zone, none: "not-offered" };
  const { price, full } = priceOption(found.number, evaluate({ tariff, facts, unknownAs: false }, cart));
  if (typeof price === "string") return { zone, none: price };
  if (hasNoPrice(full)) return { zone, none: "not-offered" };
  const [charged, fullPrice] = [rounded(price), rounded(sumOf(full))];
  // Beyond what can be counted exactly, the quote says which figures it is.
  return Number.isSafeInteger(charged) && Number.isSafeInteger(fullPrice)
    ? { zone, price: charged, fullPrice }
    : ofQuote(compiled, request, option);
}

function ofQuote(compiled: CompiledPlan, request: QuoteRequest, option: string) {
  const result = quote(compiled, request, { text: false });
  if ("problems" in result) return result;
  const { zone, options } = result.quote;
  const found = options.find(({ id }) => id === option);
  if (!found) return { zone, none: "not-offered" } as const;
  const { price, fullPrice, certain, from, reason } = found;
  if (price === null || fullPrice === null) return { zone, none: reason ?? "not-offered" };
  return certain && !from ? { zone, price, fullPrice } : ({ zone, none: "place-unknown" } as const);
}
