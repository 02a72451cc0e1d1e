import type { Earned, Evaluation } from "../../evaluate/evaluation.ts";
import { allocate } from "../../money/allocate.ts";
import { rounded, times } from "../../money/linear-amount.ts";

/** What an offer gives on the order, for the shop to apply. Amounts are minor units and add up to what comes off. */
export type Grant =
  | { offer: string; step: string; kind: "gift"; sku: string; quantity: number }
  | { offer: string; step: string; kind: "order-percent-off" | "order-money-off"; amount: number };

/** @param off what comes off the order in all: one figure, rounded once, shared out by largest remainder */
export function grantsOf(used: readonly Earned[], now: Evaluation, off: number): Grant[] {
  const all = used.flatMap(({ offer, onOrder }) =>
    onOrder.map(({ step, reward }) => ({ offer: offer.id, step: step.step.id, reward })),
  );
  const weights = all.map(({ reward }): number => {
    switch (reward.kind) {
      case "gift":
        return 0;
      case "money":
        return reward.amount;
      case "percent":
        return rounded(times(now.goods(reward.of), reward.part));
    }
  });
  const amounts = off === 0 ? weights.map(() => 0) : allocate(off, weights);
  return all.map(({ offer, step, reward }, i): Grant => {
    const amount = amounts[i] ?? 0;
    switch (reward.kind) {
      case "gift":
        return { offer, step, kind: "gift", sku: reward.sku, quantity: reward.quantity };
      case "money":
        return { offer, step, kind: "order-money-off", amount };
      case "percent":
        return { offer, step, kind: "order-percent-off", amount };
    }
  });
}
