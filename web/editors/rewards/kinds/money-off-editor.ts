import { phrase } from "../../../../core/phrases/phrase.ts";
import { amountKept, onKept } from "../kept-parts.ts";
import type { RewardKindEditor } from "../reward-kind-editor.ts";

/** So much less is charged. */
export const moneyOff: RewardKindEditor<"money-off"> = {
  words: phrase("money off delivery"),
  instead: (former, options) => ({ kind: "money-off", ...onKept(former, options), amount: amountKept(former) }),
};
