import { phrase } from "../../../../core/phrases/phrase.ts";
import { amountKept } from "../kept-parts.ts";
import type { RewardKindEditor } from "../reward-kind-editor.ts";

/** So much is taken off the order. */
export const orderMoneyOff: RewardKindEditor<"order-money-off"> = {
  words: phrase("money off the order"),
  instead: (former) => ({ kind: "order-money-off", amount: amountKept(former) }),
};
