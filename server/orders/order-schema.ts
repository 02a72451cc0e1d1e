import { Type } from "@sinclair/typebox";
import { byKindOf, closed, Id } from "../../core/schema/atoms.ts";
import { Name } from "../../core/schema/identifier.ts";

/** Orders as a shop sends them; each is checked by itself, so that what is wrong is said of it alone. */
export const SendOrders = Type.Object(
  { orders: Type.Array(Type.Unknown(), { minItems: 1, maxItems: 500 }) },
  { ...closed, title: "SendOrders" },
);

const Cell = Type.String({ maxLength: 4000 });
const after = Type.Optional(
  Type.String({ maxLength: 100, description: "The number of the order that was the last of the part before" }),
);

/** A file of orders in parts: rows, then everything is checked, then it is written. */
export const ImportOrders = byKindOf(
  "do",
  [
    Type.Object(
      {
        do: Type.Literal("rows"),
        import: Id,
        header: Type.Array(Cell, { maxItems: 200 }),
        first: Type.Integer({ minimum: 2, maximum: 4_000_000_000 }),
        rows: Type.Array(Type.Array(Cell, { maxItems: 200 }), { maxItems: 5000 }),
      },
      closed,
    ),
    Type.Object(
      {
        do: Type.Literal("lines"),
        import: Id,
        first: Type.Integer({ minimum: 1, maximum: 4_000_000_000 }),
        lines: Type.Array(Type.String({ maxLength: 1_000_000 }), { maxItems: 5000 }),
      },
      closed,
    ),
    Type.Object({ do: Type.Literal("check"), import: Id, after }, closed),
    Type.Object({ do: Type.Literal("write"), import: Id, after, sound: Type.Boolean() }, closed),
    Type.Object({ do: Type.Literal("drop"), import: Id }, closed),
  ],
  "ImportOrders",
);

/** An order by its number. */
export const OneOrder = Type.Object({ order: Name(100) }, { ...closed, title: "OneOrder" });
