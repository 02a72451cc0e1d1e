import { QuoteRequest } from "../request/request.ts";
import { closed, Id, MinorUnits } from "../schema/atoms.ts";
import { Name } from "../schema/identifier.ts";
import { type Static, Type } from "../schema/type.ts";

/**
 * An order that was made: what was asked for it then, with the carriers' answers and the uses that were known, the option that
 * was chosen, and what was charged for it.
 */
export const PastOrder = Type.Object(
  {
    order: Name(),
    request: QuoteRequest,
    option: { ...Id, description: "The delivery option that was chosen" },
    charged: { ...MinorUnits, description: "For delivery, in minor units of the request's currency" },
    cancelled: Type.Optional(Type.Boolean()),
  },
  { ...closed, title: "PastOrder" },
);
export type PastOrder = Static<typeof PastOrder>;
