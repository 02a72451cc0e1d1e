import type { CartLine, QuoteRequest } from "../../../core/quote/request.ts";
import type { CatalogueProduct } from "../../../server/catalogue/catalogue.ts";

/** Who looks: where it goes (empty while not known), in which currency and language. */
export type Standpoint = { country: string; postcode: string; currency: string; locale: string };

export function isStandpoint(value: unknown): value is Standpoint {
  return (
    typeof value === "object" &&
    value !== null &&
    ["country", "postcode", "currency", "locale"].every((key) => typeof Reflect.get(value, key) === "string")
  );
}

/** The cart being looked at: quantities of catalogue products. */
export type ShownCart = { sample: string | null; lines: { sku: string; quantity: number }[] };

export function isShownCart(value: unknown): value is ShownCart {
  return typeof value === "object" && value !== null && "lines" in value && Array.isArray(value.lines);
}

/** Cart lines as a shop would send them; products without a price in the currency cannot be in it. */
export function cartLines(
  cart: ShownCart,
  products: ReadonlyMap<string, CatalogueProduct>,
  currency: string,
): CartLine[] {
  return cart.lines.flatMap(({ sku, quantity }) => {
    const product = products.get(sku);
    const unitPrice = product?.prices[currency];
    if (!product || unitPrice === undefined) return [];
    const { name: _, prices: __, delivery, ...traits } = product;
    return [{ ...traits, sku, quantity, unitPrice, ...deliveryIn(delivery, currency) }];
  });
}

/** A product's own charge in the currency; without an amount there, it is charged like any other goods. */
function deliveryIn(delivery: CatalogueProduct["delivery"], currency: string): Pick<CartLine, "delivery"> {
  if (!delivery) return {};
  if (delivery.kind !== "own-charge") return { delivery: { kind: delivery.kind } };
  const amount = delivery.amounts[currency];
  return amount === undefined ? {} : { delivery: { kind: "own-charge", amount, per: delivery.per } };
}

export function requestFor(standpoint: Standpoint, lines: CartLine[], at: string): QuoteRequest {
  const { country, postcode, currency, locale } = standpoint;
  const destination = { ...(country === "" ? {} : { country }), ...(postcode === "" ? {} : { postcode }) };
  return { at, currency, locale, destination, cart: { lines } };
}
