import { phrase } from "../../../../core/phrases/phrase.ts";
import { amountKept, onKept } from "../kept-parts.ts";
import type { RewardKindEditor } from "../reward-kind-editor.ts";

/** Free up to so much; what is above it is charged. */
export const allowance: RewardKindEditor<"allowance"> = {
  words: phrase("delivery free up to an allowance"),
  instead: (former, options) => ({ kind: "allowance", ...onKept(former, options), amount: amountKept(former) }),
};
