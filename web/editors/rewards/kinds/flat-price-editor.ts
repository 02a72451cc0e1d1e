import { phrase } from "../../../../core/phrases/phrase.ts";
import { amountKept, onKept } from "../kept-parts.ts";
import type { RewardKindEditor } from "../reward-kind-editor.ts";

/** So much and no more is charged. */
export const flatPrice: RewardKindEditor<"flat-price"> = {
  words: phrase("delivery at a flat price"),
  instead: (former, options) => ({ kind: "flat-price", ...onKept(former, options), amount: amountKept(former) }),
};
