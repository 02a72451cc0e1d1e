import { type Static, Type } from "@sinclair/typebox";
import { PastGoal } from "../../core/evidence/past-goal.ts";
import { Basis } from "../../core/measures/basis.ts";
import { OnlyGoods } from "../../core/measures/only-goods.ts";
import { byKindOf, closed, Id, MinorUnits } from "../../core/schema/atoms.ts";
import { OrderFilter } from "../orders/order-filter.ts";

const Counting = Type.Object(
  { kind: Type.Literal("value"), basis: Basis, only: Type.Optional(OnlyGoods) },
  { ...closed, title: "ValueCounting" },
);

const bars = {
  width: Type.Optional({ ...MinorUnits, description: "Of bars; by a rule where it is left out" }),
  logarithmic: Type.Optional(Type.Boolean()),
};

/** What is asked of past orders. */
export const AskEvidence = byKindOf(
  "do",
  [
    Type.Object({ do: Type.Literal("overview") }, closed),
    Type.Object({ do: Type.Literal("bars"), filter: OrderFilter, counting: Counting, ...bars }, closed),
    Type.Object({ do: Type.Literal("peaks"), filter: OrderFilter, counting: Counting }, closed),
    Type.Object(
      {
        do: Type.Literal("spread"),
        filter: OrderFilter,
        counting: Counting,
        ...bars,
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
export type AskEvidence = Static<typeof AskEvidence>;

/** All goals that are stated of the past. */
export const StateGoals = Type.Object(
  { goals: Type.Array(PastGoal, { maxItems: 500 }) },
  { ...closed, title: "StateGoals" },
);
