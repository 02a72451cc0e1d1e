import { type Static, Type } from "@sinclair/typebox";
import { CountryCode, CurrencyCode, closed, Locale, Percent, RegionCode, Tag } from "../plan/atoms.ts";

const MinorUnits = Type.Integer({
  minimum: 0,
  maximum: 100_000_000_000,
  description: "Minor units of the request's currency",
});

export const CartLine = Type.Object(
  {
    sku: Type.String({ minLength: 1, maxLength: 64 }),
    quantity: Type.Integer({ minimum: 1, maximum: 100_000 }),
    unitPrice: MinorUnits,
    discount: Type.Optional({ ...MinorUnits, description: "Taken off this line as a whole, in minor units" }),
    taxRate: Type.Optional(Percent),
    categories: Type.Optional(Type.Array(Tag, { maxItems: 50 })),
    tags: Type.Optional(Type.Array(Tag, { maxItems: 50 })),
  },
  { ...closed, title: "CartLine" },
);
export type CartLine = Static<typeof CartLine>;

export const OrderDiscount = Type.Union([
  Type.Object({ amount: MinorUnits }, closed),
  Type.Object({ percent: Percent }, closed),
]);
export type OrderDiscount = Static<typeof OrderDiscount>;

export const Cart = Type.Object(
  {
    lines: Type.Array(CartLine, { maxItems: 500 }),
    codes: Type.Optional(Type.Array(Type.String({ minLength: 1, maxLength: 64 }), { maxItems: 50 })),
    discounts: Type.Optional(
      Type.Array(OrderDiscount, {
        maxItems: 20,
        description: "Discounts on the whole order, taken one after the other",
      }),
    ),
  },
  { ...closed, title: "Cart" },
);
export type Cart = Static<typeof Cart>;

export const Destination = Type.Object(
  {
    country: Type.Optional(CountryCode),
    region: Type.Optional(RegionCode),
    postcode: Type.Optional(Type.String({ maxLength: 16 })),
  },
  { ...closed, title: "Destination" },
);
export type Destination = Static<typeof Destination>;

/** Who buys, as far as the shop knows. What is left out is a guest's, except history: that is unknown. */
export const Shopper = Type.Object(
  {
    id: Type.Optional(Type.String({ minLength: 1, maxLength: 100 })),
    signedIn: Type.Optional(Type.Boolean()),
    groups: Type.Optional(Type.Array(Tag, { maxItems: 100 })),
    orderCount: Type.Optional(Type.Integer({ minimum: 0, maximum: 1_000_000_000 })),
    lastOrderAt: Type.Optional(Type.String({ format: "date-time" })),
    business: Type.Optional(Type.Boolean()),
  },
  { ...closed, title: "Shopper" },
);
export type Shopper = Static<typeof Shopper>;

/** What a shop asks: one cart, seen from one standpoint. Amounts are whole minor units of `currency`. */
export const QuoteRequest = Type.Object(
  {
    at: Type.String({ format: "date-time", description: "The moment, RFC 3339 with an offset" }),
    currency: CurrencyCode,
    locale: Type.Optional(Locale),
    channel: Type.Optional(Tag),
    destination: Destination,
    shopper: Type.Optional(Shopper),
    cart: Cart,
  },
  { ...closed, title: "QuoteRequest" },
);
export type QuoteRequest = Static<typeof QuoteRequest>;
