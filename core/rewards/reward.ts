import { LeavesOut } from "../measures/goods-filter.ts";
import { Amount, type AmountReferences, amountProblems } from "../money/amount.ts";
import { byKind, closed, Id, Percent, Tag } from "../schema/atoms.ts";
import type { Problem } from "../schema/problem.ts";
import { type Static, Type } from "../schema/type.ts";

/** What every reward on delivery says: on which options, up to which full price, and what falls away with the charge. */
const onDelivery = {
  options: Type.Array(Id, {
    minItems: 1,
    maxItems: 100,
    uniqueItems: true,
    description: "Delivery options it is given on",
  }),
  limit: Type.Optional({ ...Amount, description: "Only where the option's full price is no more than this" }),
  covers: Type.Optional(
    Type.Object(
      {
        handling: Type.Optional(Type.Boolean({ description: "true unless given" })),
        surcharges: Type.Optional(Type.Boolean({ description: "true unless given" })),
        ownCharges: Type.Optional(Type.Boolean({ description: "Products' own charges; false unless given" })),
      },
      { ...closed, title: "Covers" },
    ),
  ),
};

/** What a step gives: on the price of delivery options, or on the order, for the shop to apply. */
export const Reward = byKind(
  [
    Type.Object({ kind: Type.Literal("free"), ...onDelivery }, closed),
    Type.Object({ kind: Type.Literal("flat-price"), ...onDelivery, amount: Amount }, closed),
    Type.Object({ kind: Type.Literal("percent-off"), ...onDelivery, percent: Percent }, closed),
    Type.Object({ kind: Type.Literal("money-off"), ...onDelivery, amount: Amount }, closed),
    Type.Object(
      {
        kind: Type.Literal("allowance"),
        ...onDelivery,
        amount: { ...Amount, description: "Free up to this; the shopper pays the rest" },
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal("option-price"),
        ...onDelivery,
        of: { ...Id, description: "The option whose full price is charged" },
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal("gift"),
        sku: Tag,
        quantity: Type.Integer({ minimum: 1, maximum: 1000 }),
      },
      closed,
    ),
    Type.Object(
      { kind: Type.Literal("order-percent-off"), percent: Percent, leavesOut: Type.Optional(LeavesOut) },
      closed,
    ),
    Type.Object({ kind: Type.Literal("order-money-off"), amount: Amount }, closed),
  ],
  "Reward",
);
export type Reward = Static<typeof Reward>;

export type OrderReward = Extract<Reward, { kind: "gift" | "order-percent-off" | "order-money-off" }>;
export type DeliveryReward = Exclude<Reward, OrderReward>;

export const isOnOrder = (reward: Reward): reward is OrderReward =>
  reward.kind === "gift" || reward.kind === "order-percent-off" || reward.kind === "order-money-off";

/** The delivery options a reward is given on; none for one on the order. */
export const rewardOptions = (reward: Reward): readonly string[] => (isOnOrder(reward) ? [] : reward.options);

export function rewardProblems(reward: Reward, path: string, references: AmountReferences): Problem[] {
  const limit = isOnOrder(reward) || !reward.limit ? [] : amountProblems(reward.limit, `${path}/limit`, references);
  switch (reward.kind) {
    case "free":
    case "option-price":
    case "gift":
      return limit;
    case "percent-off":
    case "order-percent-off":
      return Number(reward.percent) > 100
        ? [...limit, { path: `${path}/percent`, message: "no more than 100 percent" }]
        : limit;
    case "flat-price":
    case "money-off":
    case "allowance":
    case "order-money-off":
      return [...limit, ...amountProblems(reward.amount, `${path}/amount`, references)];
  }
}
