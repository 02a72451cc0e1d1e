import { type Static, Type } from "@sinclair/typebox";
import { PastGoal } from "../../core/evidence/past-goal.ts";
import { Basis } from "../../core/measures/basis.ts";
import { OnlyGoods } from "../../core/measures/only-goods.ts";
import { byKindOf, CurrencyCode, closed, Id, MinorUnits } from "../../core/schema/atoms.ts";
import { Name } from "../../core/schema/identifier.ts";
import { LocalDay } from "../../core/time/local.ts";
import { OrderFilter, orUnknown } from "../orders/order-filter.ts";

const Counting = Type.Object(
  { kind: Type.Literal("value"), basis: Basis, only: Type.Optional(OnlyGoods) },
  { ...closed, title: "ValueCounting" },
);

const bars = {
  width: Type.Optional({ ...MinorUnits, description: "Of bars; by a rule where it is left out" }),
  logarithmic: Type.Optional(Type.Boolean()),
};

const between = {
  from: { ...MinorUnits, description: "What an order is worth at least" },
  below: Type.Optional({ ...MinorUnits, description: "What it is worth less than" }),
};

/** What one figure of a replay is of. */
const ReplayPick = byKindOf(
  "by",
  [
    Type.Object({ by: Type.Literal("zone"), is: orUnknown }, closed),
    Type.Object({ by: Type.Literal("option"), is: Id }, closed),
    Type.Object({ by: Type.Literal("group"), is: Type.Integer({ minimum: 0, maximum: 50 }) }, closed),
    Type.Object({ by: Type.Literal("why"), is: Id }, closed),
  ],
  "ReplayPick",
);

const after = Type.Optional({ ...LocalDay, description: "Orders of days before this one" });

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
        step: Type.Optional(
          Type.Object({ offer: Id, step: Id }, { ...closed, description: "The step of the draft whose goal it is" }),
        ),
        goals: Type.Optional(Type.Array(MinorUnits, { maxItems: 100 })),
      },
      closed,
    ),
    Type.Object(
      { do: Type.Literal("sample"), filter: OrderFilter, most: Type.Integer({ minimum: 1, maximum: 2000 }) },
      closed,
    ),
    Type.Object({ do: Type.Literal("look"), job: Id }, closed),
    Type.Object(
      { do: Type.Literal("orders-worth"), filter: OrderFilter, counting: Counting, ...between, after },
      closed,
    ),
    Type.Object({ do: Type.Literal("orders-replayed"), job: Id, pick: ReplayPick, after }, closed),
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

/** Hundredths of a percent, or what takes a figure back. */
const percent = Type.Union([Type.Integer({ minimum: 0, maximum: 10_000 }), Type.Null()], {
  description: "In hundredths of a percent; null takes it back",
});

/** One thing that a store says of its goods, its deliveries or its shoppers. */
export const StateFigure = byKindOf(
  "kind",
  [
    Type.Object(
      {
        kind: Type.Literal("margin"),
        category: Type.Optional({ ...Name(), description: "Of everything else when left out" }),
        figure: { ...percent, description: "Of what the goods cost, in hundredths of a percent; null takes it back" },
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal("delivery"),
        currency: CurrencyCode,
        figure: Type.Union([MinorUnits, Type.Null()], { description: "What one counts as that is given away" }),
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal("share"),
        currency: CurrencyCode,
        market: Type.Optional(Id),
        figure: { ...percent, description: "Of shoppers who go for a goal, in hundredths of a percent: a guess" },
      },
      closed,
    ),
  ],
  "StateFigure",
);
export type StateFigure = Static<typeof StateFigure>;
