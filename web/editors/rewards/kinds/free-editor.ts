import { phrase } from "../../../../core/phrases/phrase.ts";
import { onKept } from "../kept-parts.ts";
import type { RewardKindEditor } from "../reward-kind-editor.ts";

/** Nothing is charged. */
export const free: RewardKindEditor<"free"> = {
  words: phrase("free delivery"),
  instead: (former, options) => ({ kind: "free", ...onKept(former, options) }),
};
