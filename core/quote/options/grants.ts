import type { Evaluation } from "../../evaluate/evaluation.ts";
import { allocate } from "../../money/allocate.ts";
import { rounded, times } from "../../money/linear-amount.ts";
import type { CompiledOrderReward } from "../../rewards/definition.ts";
import type { Earned } from "../../tariff/earnable.ts";
import type { Grant } from "../answer/quote.ts";

/** @param off what comes off the order in all: one figure, rounded once, shared out by largest remainder */
export function grantsOf(used: readonly Earned[], now: Evaluation, off: number): Grant[] {
  if (!used.some(({ onOrder }) => onOrder.length > 0)) return [];
  const all = used.flatMap(({ offer, onOrder }) =>
    onOrder.map(({ step, reward }) => ({ offer: offer.id, step: step.step.id, reward })),
  );
  const weights = all.map(({ reward }) => weightOf(reward, now));
  const amounts = off === 0 ? weights.map(() => 0) : allocate(off, weights);
  return all.map(({ offer, step, reward }, i) => ({ offer, step, ...givenAs(reward, amounts[i] ?? 0) }));
}

/** By how much of what comes off the order a reward is to blame. */
function weightOf(reward: CompiledOrderReward, now: Evaluation): number {
  switch (reward.kind) {
    case "gift":
      return 0;
    case "money":
      return reward.amount;
    case "percent":
      return rounded(times(now.goods(reward.of), reward.part));
  }
}

type Given = Grant extends infer One ? (One extends Grant ? Omit<One, "offer" | "step"> : never) : never;

function givenAs(reward: CompiledOrderReward, amount: number): Given {
  switch (reward.kind) {
    case "gift":
      return { kind: "gift", sku: reward.sku, quantity: reward.quantity };
    case "money":
      return { kind: "order-money-off", amount };
    case "percent":
      return { kind: "order-percent-off", amount };
  }
}
