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
  const weights = all.map(({ reward }) => {
    if (reward.kind === "gift") return 0;
    return reward.kind === "money" ? reward.amount : rounded(times(now.goods(reward.of), reward.part));
  });
  const amounts = off === 0 ? weights.map(() => 0) : allocate(off, weights);
  return all.map(({ offer, step, reward }, i): Grant => {
    if (reward.kind === "gift") {
      const { sku, quantity } = reward;
      return { offer, step, kind: "gift", sku, quantity };
    }
    const kind = reward.kind === "money" ? "order-money-off" : "order-percent-off";
    return { offer, step, kind, amount: amounts[i] ?? 0 };
  });
}
