import { shopperAsDescribed } from "../../core/facts/shopper-facts.ts";
import { exponentOf } from "../../core/money/currency.ts";
import { minorUnits } from "../../core/money/decimal.ts";
import type { Market } from "../../core/places/market.ts";
import { placeAway } from "../../core/quantities/distance.ts";
import { productLine } from "../../core/request/product-line.ts";
import type { Cart, CartLine, OrderDiscount, QuoteRequest } from "../../core/request/request.ts";
import { standpointFaults } from "../../core/samples/standpoint-faults.ts";
import type { CompiledPlan } from "../../core/tariff/compile.ts";
import { momentOf } from "../../core/time/zone-clock.ts";
import type { CatalogueProduct } from "../../server/catalogue/catalogue.ts";
import type { SampleCart } from "../../server/catalogue/product.ts";
import type { DescribedShopper, Standpoint } from "../../server/saved/standpoint-schema.ts";

export type { DescribedShopper, Standpoint };

export const FIRST_STANDPOINT: Standpoint = {
  country: "PT",
  region: "",
  postcode: "3000-001",
  currency: "EUR",
  locale: "en",
  shopper: null,
  moment: null,
  moods: {},
};

export function isStandpoint(value: unknown): value is Standpoint {
  if (typeof value !== "object" || value === null) return false;
  return hasForm(value) && standpointFaults(value).length === 0;
}

/** The parts that are read before anything is known to be there. */
function hasForm(value: object): value is Standpoint {
  const at = (key: string): unknown => Reflect.get(value, key);
  const isObject = (one: unknown) => typeof one === "object" && one !== null;
  return (
    ["country", "region", "postcode", "currency", "locale"].every((key) => typeof at(key) === "string") &&
    (at("moment") === null || typeof at("moment") === "string") &&
    (at("shopper") === null || isDescribed(at("shopper"))) &&
    isObject(at("moods"))
  );
}

const isDescribed = (value: unknown): boolean =>
  typeof value === "object" &&
  value !== null &&
  "groups" in value &&
  Array.isArray(value.groups) &&
  "lastOrder" in value &&
  (value.lastOrder === null || typeof value.lastOrder === "string");

/** The cart being looked at, and the sample that it came from. */
export type ShownCart = { sample: string | null } & Pick<SampleCart, "lines" | "codes" | "discounts">;

export function isShownCart(value: unknown): value is ShownCart {
  return (
    typeof value === "object" &&
    value !== null &&
    "lines" in value &&
    Array.isArray(value.lines) &&
    value.lines.every(({ sku, quantity } = {}) => typeof sku === "string" && Number.isInteger(quantity) && quantity > 0)
  );
}

/** Cart lines as a shop would send them; products without a price in the currency cannot be in it. */
function cartLines(cart: ShownCart, products: ReadonlyMap<string, CatalogueProduct>, currency: string): CartLine[] {
  return cart.lines.flatMap(({ sku, quantity, asSold }) => {
    const product = products.get(sku);
    const line = product && productLine(product, currency, quantity, minorIn(asSold?.prices, currency));
    if (!line) return [];
    const off = minorIn(asSold?.off, currency);
    return [
      {
        ...line,
        // No more can be taken off a line than it costs.
        ...(off === undefined ? {} : { discount: Math.min(off, line.unitPrice * quantity) }),
        ...(asSold?.used === undefined ? {} : { used: asSold.used }),
      },
    ];
  });
}

/** What is taken off the whole order in a currency. */
const discountsIn = ({ discounts = [] }: ShownCart, currency: string): OrderDiscount[] =>
  discounts.flatMap((discount): OrderDiscount[] => {
    if ("percent" in discount) return [discount];
    const amount = minorIn(discount.amounts, currency);
    const { code } = discount;
    return amount === undefined ? [] : [code === undefined ? { amount } : { amount, code }];
  });

/** An amount typed for a currency, in its minor units. */
function minorIn(amounts: Readonly<Record<string, string>> | undefined, currency: string): number | undefined {
  const text = amounts?.[currency];
  const read = text === undefined ? null : minorUnits(text, exponentOf(currency) ?? 2);
  return read && "minor" in read ? read.minor : undefined;
}

/** The cart as a shop would send it. */
export function requestedCart(
  cart: ShownCart,
  products: ReadonlyMap<string, CatalogueProduct>,
  currency: string,
): Cart {
  const discounts = discountsIn(cart, currency);
  return {
    lines: cartLines(cart, products, currency),
    ...(cart.codes?.length ? { codes: cart.codes } : {}),
    ...(discounts.length > 0 ? { discounts } : {}),
  };
}

/** @param locations of the plan; a distance from one that is gone is not known */
export function destinationOf(
  { country, region, postcode, street, away }: Standpoint,
  locations: CompiledPlan["locations"],
): QuoteRequest["destination"] {
  const from = away && locations.get(away.location)?.at;
  return {
    ...(country === "" ? {} : { country }),
    ...(region === "" ? {} : { region }),
    ...(postcode === "" ? {} : { postcode }),
    ...(street === undefined ? {} : { street }),
    ...(from ? { position: placeAway(from, away.km * 1000) } : {}),
  };
}

/** @param market whose clocks a chosen moment is by; null where nobody delivers */
export function requestFor(
  standpoint: Standpoint,
  destination: QuoteRequest["destination"],
  market: Market | null,
  cart: QuoteRequest["cart"],
  now: string,
): QuoteRequest {
  const { currency, locale, channel, payment, moment, shopper } = standpoint;
  const at = moment === null ? now : new Date(momentOf(moment, market?.timeZone ?? "UTC", "start")).toISOString();
  const request = {
    at,
    currency,
    locale,
    ...(channel ? { channel } : {}),
    ...(payment ? { payment } : {}),
    destination,
    cart,
  };
  if (!shopper) return request;
  const uses = Object.entries(shopper.uses ?? {}).map(([offer, byShopper]) => ({
    offer,
    overall: byShopper,
    byShopper,
  }));
  return { ...request, shopper: shopperAsDescribed(shopper), ...(uses.length > 0 ? { uses } : {}) };
}
