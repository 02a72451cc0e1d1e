import { type Static, Type } from "@sinclair/typebox";
import { Size, Weight } from "../../core/quantities/quantity.ts";
import { byKind, CurrencyCode, closed, Decimal, Id, Percent } from "../../core/schema/atoms.ts";
import { Name } from "../../core/schema/identifier.ts";

/** What a product says about its own delivery; an own charge in major units, for each piece or for the line. */
const ProductDelivery = byKind(
  [
    Type.Object({ kind: Type.Literal("ships-free") }, closed),
    Type.Object({ kind: Type.Literal("nothing-to-ship") }, closed),
    Type.Object(
      {
        kind: Type.Literal("own-charge"),
        amounts: Type.Record(CurrencyCode, Decimal, closed),
        per: Type.Union([Type.Literal("piece"), Type.Literal("line")]),
      },
      closed,
    ),
  ],
  "ProductDelivery",
);

/** A product as a catalogue file writes it: prices in major units as decimal strings. */
export const Product = Type.Object(
  {
    sku: Name(),
    name: Type.String({ minLength: 1, maxLength: 200 }),
    prices: Type.Record(CurrencyCode, Decimal, closed),
    categories: Type.Optional(Type.Array(Name(), { maxItems: 50, uniqueItems: true })),
    tags: Type.Optional(Type.Array(Name(), { maxItems: 50, uniqueItems: true })),
    taxRate: Type.Optional(Percent),
    weight: Type.Optional(Weight),
    size: Type.Optional(Size),
    parcelClass: Type.Optional(Name()),
    used: Type.Optional(Type.Boolean()),
    delivery: Type.Optional(ProductDelivery),
  },
  { ...closed, title: "Product" },
);
export type Product = Static<typeof Product>;
export const Catalogue = Type.Array(Product, { maxItems: 50_000, title: "Catalogue" });

const Amounts = Type.Record(CurrencyCode, Decimal, closed);

/** How a line is sold, where that is not as the catalogue has it. Amounts in major units, in the currencies they are said in. */
export const AsSold = Type.Object(
  {
    prices: Type.Optional({ ...Amounts, description: "Of one piece, instead of the catalogue's" }),
    off: Type.Optional({ ...Amounts, description: "Taken off the line as a whole" }),
    used: Type.Optional(Type.Boolean()),
  },
  { ...closed, title: "AsSold" },
);
export type AsSold = Static<typeof AsSold>;

/** A discount on the whole order. */
export const CartDiscount = Type.Union(
  [
    Type.Object({ percent: Percent, code: Type.Optional(Name()) }, closed),
    Type.Object({ amounts: Amounts, code: Type.Optional(Name()) }, closed),
  ],
  { title: "CartDiscount" },
);
export type CartDiscount = Static<typeof CartDiscount>;

/** A cart to look through: quantities of catalogue products, the codes entered, and what is taken off. */
export const SampleCart = Type.Object(
  {
    id: Id,
    name: Type.String({ minLength: 1, maxLength: 100 }),
    lines: Type.Array(
      Type.Object(
        {
          sku: Name(),
          quantity: Type.Integer({ minimum: 1, maximum: 100_000 }),
          asSold: Type.Optional(AsSold),
        },
        closed,
      ),
      { maxItems: 500 },
    ),
    codes: Type.Optional(Type.Array(Name(), { maxItems: 50 })),
    discounts: Type.Optional(
      Type.Array(CartDiscount, { maxItems: 20, description: "On the whole order, one after the other" }),
    ),
  },
  { ...closed, title: "SampleCart" },
);
export type SampleCart = Static<typeof SampleCart>;
export const SampleCarts = Type.Array(SampleCart, { maxItems: 1000, title: "SampleCarts" });
