import { type OnlyPieces, onlyProblems } from "../measures/only-goods.ts";
import { type AmountReferences, amountProblems } from "../money/amount.ts";
import { byKind } from "../schema/atoms.ts";
import { definitionOf, registry } from "../schema/kinds.ts";
import type { Problem } from "../schema/problem.ts";
import type { Static } from "../schema/type.ts";
import type { RegisteredDeliveryReward, RegisteredOrderReward } from "./definition.ts";
import { allowance } from "./kinds/allowance.ts";
import { flatPrice } from "./kinds/flat-price.ts";
import { free } from "./kinds/free.ts";
import { gift } from "./kinds/gift.ts";
import { moneyOff } from "./kinds/money-off.ts";
import { optionPrice } from "./kinds/option-price.ts";
import { orderMoneyOff } from "./kinds/order-money-off.ts";
import { orderPercentOff } from "./kinds/order-percent-off.ts";
import { percentOff } from "./kinds/percent-off.ts";

/** Every kind of reward on the price of delivery options. A new kind is a file of its own and its name in this list. */
const ON_DELIVERY = [free, flatPrice, percentOff, moneyOff, allowance, optionPrice] as const;

/** Every kind of reward on the order. */
const ON_ORDER = [gift, orderPercentOff, orderMoneyOff] as const;

export type DeliveryReward = Static<(typeof ON_DELIVERY)[number]["schema"]>;
export type OrderReward = Static<(typeof ON_ORDER)[number]["schema"]>;

/** What a step gives: on the price of delivery options, or on the order, for the shop to apply. */
export const Reward = byKind(
  [...ON_DELIVERY, ...ON_ORDER].map(({ schema }) => schema),
  "Reward",
);
export type Reward = DeliveryReward | OrderReward;

export const DELIVERY_REWARDS: ReadonlyMap<string, RegisteredDeliveryReward> =
  registry<RegisteredDeliveryReward>(ON_DELIVERY);
export const ORDER_REWARDS: ReadonlyMap<string, RegisteredOrderReward> = registry<RegisteredOrderReward>(ON_ORDER);

export const isOnOrder = (reward: Reward): reward is OrderReward => ORDER_REWARDS.has(reward.kind);

/** @throws RangeError for a kind that is not there, which the schema refuses before */
export const deliveryReward = (reward: DeliveryReward): RegisteredDeliveryReward =>
  definitionOf(DELIVERY_REWARDS, reward, "reward");
export const orderReward = (reward: OrderReward): RegisteredOrderReward =>
  definitionOf(ORDER_REWARDS, reward, "reward");

/** Everything that both families say about themselves. */
export const rewardKind = (reward: Reward) => (isOnOrder(reward) ? orderReward(reward) : deliveryReward(reward));

/** The delivery options a reward is given on; none for one on the order. */
export const rewardOptions = (reward: Reward): readonly string[] => (isOnOrder(reward) ? [] : reward.options);

/** The goods whose share alone it is given on; undefined: on all of a price. */
export const goodsOf = (reward: Reward): OnlyPieces | undefined => ("goods" in reward ? reward.goods : undefined);

/** The delivery options it names besides. @example namedOptions({ kind: "option-price", of: "standard", … }) // [{ key: "of", id: "standard" }] */
export const namedOptions = (reward: Reward): readonly { readonly key: string; readonly id: string }[] =>
  isOnOrder(reward) ? [] : deliveryReward(reward).namesOptions(reward);

export function rewardProblems(reward: Reward, path: string, references: AmountReferences): Problem[] {
  const limit = isOnOrder(reward) || !reward.limit ? [] : amountProblems(reward.limit, `${path}/limit`, references);
  const goods = goodsOf(reward);
  return [
    ...limit,
    ...onlyProblems(goods, `${path}/goods`, references),
    ...rewardKind(reward).problems(reward, path, references),
  ];
}
