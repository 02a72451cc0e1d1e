import { Type } from "@sinclair/typebox";
import { PastGoal } from "../../core/evidence/past-goal.ts";
import { Basis } from "../../core/measures/basis.ts";
import { OnlyGoods } from "../../core/measures/only-goods.ts";
import { byKindOf, closed, Id, MinorUnits } from "../../core/schema/atoms.ts";
import { Name } from "../../core/schema/identifier.ts";

import { OrderFilter } from "./order-filter.ts";

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

const Counting = Type.Object(
  { kind: Type.Literal("value"), basis: Basis, only: Type.Optional(OnlyGoods) },
  { ...closed, title: "ValueCounting" },
);

/** What is asked of past orders. */
export const AskEvidence = byKindOf(
  "do",
  [
    Type.Object({ do: Type.Literal("overview") }, closed),
    Type.Object(
      {
        do: Type.Literal("spread"),
        filter: OrderFilter,
        counting: Counting,
        width: Type.Optional({ ...MinorUnits, description: "Of bars; by a rule where it is left out" }),
        logarithmic: Type.Optional(Type.Boolean()),
        drafted: Type.Optional(Type.Array(MinorUnits, { maxItems: 100 })),
        goals: Type.Optional(Type.Array(MinorUnits, { maxItems: 100 })),
      },
      closed,
    ),
    Type.Object(
      {
        do: Type.Literal("replay"),
        filter: OrderFilter,
        counting: Counting,
        edges: Type.Array(MinorUnits, { maxItems: 50 }),
        atItsOwnMoment: Type.Boolean(),
      },
      closed,
    ),
    Type.Object(
      {
        do: Type.Literal("gain"),
        filter: OrderFilter,
        counting: Counting,
        margin: Type.Integer({
          minimum: 0,
          maximum: 10_000,
          description: "Of what goods cost, in hundredths of a percent",
        }),
        perDelivery: Type.Optional(MinorUnits),
        share: Type.Optional(Type.Integer({ minimum: 0, maximum: 10_000 })),
        goals: Type.Optional(Type.Array(MinorUnits, { maxItems: 100 })),
      },
      closed,
    ),
    Type.Object(
      { do: Type.Literal("sample"), filter: OrderFilter, most: Type.Integer({ minimum: 1, maximum: 2000 }) },
      closed,
    ),
    Type.Object({ do: Type.Literal("look"), job: Id }, closed),
    Type.Object({ do: Type.Literal("stop"), job: Id }, closed),
  ],
  "AskEvidence",
);

/** All goals that are stated of the past. */
export const StateGoals = Type.Object(
  { goals: Type.Array(PastGoal, { maxItems: 500 }) },
  { ...closed, title: "StateGoals" },
);
