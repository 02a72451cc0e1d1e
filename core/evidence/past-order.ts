import { QuoteRequest } from "../request/request.ts";
import { CurrencyCode, closed, Id, MinorUnits } from "../schema/atoms.ts";
import { Name } from "../schema/identifier.ts";
import { type Static, Type } from "../schema/type.ts";

const common = {
  order: { ...Name(100), description: "Its number in the shop, compared to the letter" },
  charged: { ...MinorUnits, description: "For delivery, in minor units of the order's currency" },
  cost: Type.Optional({ ...MinorUnits, description: "What its delivery cost the store" }),
  buyer: Type.Optional(
    Type.Union([Type.Literal("new"), Type.Literal("returning")], {
      description: "Whether it was the shopper's first order; not known when left out",
    }),
  ),
  cancelled: Type.Optional(Type.Boolean()),
};

/**
 * An order that was made: what was asked for it then, with the carriers' answers and the uses that were known, the option that
 * was chosen, and what was charged for it.
 */
export const PastOrder = Type.Object(
  {
    ...common,
    request: QuoteRequest,
    option: { ...Id, description: "The delivery option that was chosen" },
    release: Type.Optional(
      Type.Integer({ minimum: 1, maximum: 2_147_483_647, description: "The release that it was quoted by" }),
    ),
  },
  { ...closed, title: "PastOrder" },
);
export type PastOrder = Static<typeof PastOrder>;

/** An order of which no more is known than what it came to: it counts in the spread of values, and cannot be priced anew. */
export const PlainOrder = Type.Object(
  {
    ...common,
    at: Type.String({ format: "date-time", description: "The moment, RFC 3339 with an offset" }),
    currency: CurrencyCode,
    total: { ...MinorUnits, description: "What its goods came to after all discounts, with tax" },
  },
  { ...closed, title: "PlainOrder" },
);
export type PlainOrder = Static<typeof PlainOrder>;

/** @example isPriceable(order) // whether its request is known */
export const isPriceable = (order: PastOrder | PlainOrder): order is PastOrder => "request" in order;
