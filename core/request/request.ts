import { SHOPPER_FIELDS } from "../facts/shopper-facts.ts";
import { Coordinates } from "../quantities/coordinates.ts";
import { Size, Weight } from "../quantities/quantity.ts";
import {
  byKind,
  CountryCode,
  CurrencyCode,
  closed,
  Id,
  Locale,
  MinorUnits,
  Percent,
  RegionCode,
} from "../schema/atoms.ts";
import { Name } from "../schema/identifier.ts";
import { type Static, Type } from "../schema/type.ts";
import { LocalDay } from "../time/local.ts";

/**
 * What a product says about its own delivery: it ships free, it is charged on its own (for each piece or for the line), or
 * there is nothing to ship. Such lines are none of the zone's charges' business.
 */
const LineDelivery = byKind(
  [
    Type.Object({ kind: Type.Literal("ships-free") }, closed),
    Type.Object({ kind: Type.Literal("nothing-to-ship") }, closed),
    Type.Object(
      {
        kind: Type.Literal("own-charge"),
        amount: MinorUnits,
        per: Type.Union([Type.Literal("piece"), Type.Literal("line")]),
      },
      closed,
    ),
  ],
  "LineDelivery",
);

export const CartLine = Type.Object(
  {
    sku: Name(),
    quantity: Type.Integer({ minimum: 1, maximum: 100_000 }),
    unitPrice: MinorUnits,
    discount: Type.Optional({ ...MinorUnits, description: "Taken off this line as a whole, in minor units" }),
    taxRate: Type.Optional(Percent),
    categories: Type.Optional(Type.Array(Name(), { maxItems: 50 })),
    tags: Type.Optional(Type.Array(Name(), { maxItems: 50 })),
    weight: Type.Optional({ ...Weight, description: "Of one piece; unknown when left out" }),
    size: Type.Optional({ ...Size, description: "Of one piece; unknown when left out" }),
    parcelClass: Type.Optional(Name()),
    used: Type.Optional(Type.Boolean()),
    delivery: Type.Optional(LineDelivery),
  },
  { ...closed, title: "CartLine" },
);
export type CartLine = Static<typeof CartLine>;

const ofCode = Type.Optional({ ...Name(), description: "The code that gave it, if one did" });

export const OrderDiscount = Type.Union([
  Type.Object({ amount: MinorUnits, code: ofCode }, closed),
  Type.Object({ percent: Percent, code: ofCode }, closed),
]);
export type OrderDiscount = Static<typeof OrderDiscount>;

export const Cart = Type.Object(
  {
    lines: Type.Array(CartLine, { maxItems: 500 }),
    codes: Type.Optional(Type.Array(Name(), { maxItems: 50 })),
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
    street: Type.Optional(
      Type.String({ maxLength: 500, description: "Street lines, one after the other; not known when left out" }),
    ),
    position: Type.Optional(Coordinates),
  },
  { ...closed, title: "Destination" },
);
export type Destination = Static<typeof Destination>;

/** Who buys, as far as the shop knows. What is left out is a guest's, except history: that is unknown. */
export const Shopper = Type.Object(SHOPPER_FIELDS, { ...closed, title: "Shopper" });
export type Shopper = Static<typeof Shopper>;

/** How often an offer has been used, in all and by this shopper; the latter is unknown when left out. */
const Uses = Type.Object(
  {
    offer: Id,
    overall: Type.Integer({ minimum: 0 }),
    byShopper: Type.Optional(Type.Integer({ minimum: 0 })),
  },
  { ...closed, title: "Uses" },
);

/** How many orders a window of an option holds already. */
const Booked = Type.Object(
  { option: Id, slot: Id, day: LocalDay, orders: Type.Integer({ minimum: 0 }) },
  { ...closed, title: "Booked" },
);

/** What a live carrier answered for this cart: a price in minor units, or why there is none. */
export const CarrierAnswer = Type.Object(
  {
    carrier: Id,
    service: Id,
    from: Type.Optional({ ...Id, description: "The location a charge names; any when left out" }),
    weight: Type.Optional(
      Type.Integer({
        minimum: 0,
        maximum: Number.MAX_SAFE_INTEGER,
        description: "Milligrams of the parcel it answered for; any parcel when left out",
      }),
    ),
    price: Type.Optional(MinorUnits),
    problem: Type.Optional(
      Type.Union([
        Type.Literal("slow"),
        Type.Literal("failed"),
        Type.Literal("not-served"),
        Type.Literal("too-heavy"),
        Type.Literal("unknown-account"),
      ]),
    ),
  },
  { ...closed, title: "CarrierAnswer" },
);
export type CarrierAnswer = Static<typeof CarrierAnswer>;

/** What a shop asks: one cart, seen from one standpoint. Amounts are whole minor units of `currency`. */
export const QuoteRequest = Type.Object(
  {
    at: Type.String({ format: "date-time", description: "The moment, RFC 3339 with an offset" }),
    currency: CurrencyCode,
    locale: Type.Optional(Locale),
    channel: Type.Optional(Name()),
    payment: Type.Optional({ ...Name(), description: "The way of paying; not known until one is chosen" }),
    destination: Destination,
    shopper: Type.Optional(Shopper),
    cart: Cart,
    uses: Type.Optional(Type.Array(Uses, { maxItems: 5000 })),
    carriers: Type.Optional(Type.Array(CarrierAnswer, { maxItems: 200 })),
    booked: Type.Optional(Type.Array(Booked, { maxItems: 10_000 })),
    window: Type.Optional(
      Type.Object(
        { option: Id, slot: Id, day: LocalDay },
        { ...closed, title: "PickedWindow", description: "The window that the shopper has picked" },
      ),
    ),
  },
  { ...closed, title: "QuoteRequest" },
);
export type QuoteRequest = Static<typeof QuoteRequest>;
